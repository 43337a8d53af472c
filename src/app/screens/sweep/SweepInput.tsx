import { Button } from '@mui/material';
import { useState, type DragEvent, type ReactElement, type ReactNode } from 'react';
import { useStore } from 'react-redux';
import { containerOf } from '../../../core/many/sweep/containers/list.ts';
import { sampleSite } from '../../../core/many/sweep/sample.ts';
import type { SiteFile } from '../../../workers/siteFile.ts';
import { selectGiven } from '../../state/answers.ts';
import { selectBook } from '../../state/selectors.ts';
import type { Store } from '../../state/store.ts';
import { LastWritten } from './LastWritten.tsx';
import { SiteByAddress } from './SiteByAddress.tsx';
import { SweptSites } from './SweptSites.tsx';
import { UnfinishedSites } from './UnfinishedSites.tsx';
import type { SweptSite } from '../../storage/sweeps.ts';
import { canWriteFolders, filesAgain, filesIn, pickFolder } from '../../sweep/folder.ts';
import type { OpenedSite, SweepRun } from '../../sweep/run.ts';
import { t } from '../../../messages/t.ts';
import { FileButton } from '../../fields/FileButton.tsx';

interface Props {
  ready: boolean;
  begin: (name: string, files: readonly SiteFile[], more?: Partial<OpenedSite>) => void;
  run: SweepRun;
  siteField: ReactNode;
}

/** A file as the folder that was chosen holds it: with its path below that folder. */
function siteFile(file: File): SiteFile {
  const path = file.webkitRelativePath.split('/').slice(1).join('/');
  return { name: path || file.name, content: file };
}

/** What is swept: a folder, a zip, some files, or a sample. */
export function SweepInput({ ready, begin, run, siteField }: Props): ReactElement {
  const store = useStore() as Store;
  const [said, setSaid] = useState('');
  const take = async (files: readonly File[]): Promise<void> => {
    const [first] = files;
    if (!first) return;
    if (files.length === 1 && /\.zip$/i.test(first.name)) {
      const inside = await run.open(first);
      if (!inside) return setSaid(t('“{name}” is no zip file that can be read.', { name: first.name }));
      return open(first.name, inside);
    }
    const folder = first.webkitRelativePath.split('/')[0];
    return open(folder || (files.length === 1 ? first.name : t('{count} files', { count: files.length })), files.map(siteFile));
  };
  const open = (name: string, files: readonly SiteFile[], folder: OpenedSite['folder'] = null): void => {
    const wanted = files.filter((file) => containerOf(file.name));
    if (wanted.length === 0)
      return setSaid(t('“{name}” holds no file that is looked into: HTML, Markdown, XML, feeds, CSV and JSON are.', { name }));
    begin(name, wanted, { folder });
  };
  const pick = async (): Promise<void> => {
    const folder = await pickFolder();
    if (folder) open(folder.name || t('Folder'), await filesIn(folder), folder);
  };
  const reopen = async ({ name, folder }: Pick<SweptSite, 'name' | 'folder'>): Promise<void> => {
    const files = folder && (await filesAgain(folder));
    if (files) open(name, files, folder);
    else setSaid(t('The browser does not let Refenestra into that folder. Choose it with “Open a folder”.'));
  };
  const sample = (): void => {
    const state = store.getState();
    open(
      t('Sample site'),
      sampleSite(selectBook(state), selectGiven(state).cards).map(({ name, text }) => ({ name, content: new Blob([text]) })),
    );
  };
  const onDrop = (event: DragEvent): void => {
    event.preventDefault();
    void take([...event.dataTransfer.files]);
  };
  return (
    <div
      className="flex h-full max-w-[720px] flex-col items-start gap-3 px-4 pt-3 pb-0 max-desk:*:mb-3 [&_p]:m-0 [&_small]:block"
      onDrop={onDrop}
      onDragOver={(event) => event.preventDefault()}
    >
      <h1>{t('Sweep')}</h1>
      <p>
        {t(
          'Finds every embed of a site, says what is wrong with each, and changes what you choose. Every other byte of the files stays as it is.',
        )}
      </p>
      {siteField}
      <div className="sweep-ways line">
        {canWriteFolders() ? (
          <Button variant="contained" disabled={!ready} onClick={() => void pick()}>
            {t('Open a folder')}
          </Button>
        ) : (
          <FileButton words={t('Open a folder')} variant="contained" disabled={!ready} multiple folder give={take} />
        )}
        <FileButton words={t('Open a zip or files')} variant="outlined" disabled={!ready} multiple give={take} />
        <Button disabled={!ready} onClick={sample}>
          {t('Try a sample site')}
        </Button>
      </div>
      <SiteByAddress disabled={!ready} begin={(name, files, note) => begin(name, files, { note })} say={setSaid} />
      <p className="text-quiet">
        {t(
          'You can also drop files or a zip here. HTML, Markdown, XML exports, feeds, CSV and JSON are looked into; nothing leaves this computer but the address of a site, and nothing is written before you say so.',
        )}
      </p>
      <LastWritten say={setSaid} />
      <UnfinishedSites disabled={!ready} open={(site) => void reopen(site)} />
      <SweptSites disabled={!ready} open={(site) => void reopen(site)} />
      <p role="status">{said}</p>
    </div>
  );
}
