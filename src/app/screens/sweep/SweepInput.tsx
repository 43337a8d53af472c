import { Button } from '@mui/material';
import { useState, type DragEvent, type ReactElement, type ReactNode } from 'react';
import { useStore } from 'react-redux';
import { containerOf } from '../../../core/sweep/containers/list.ts';
import { sampleSite } from '../../../core/sweep/sample.ts';
import type { SiteFile } from '../../../workers/messages.ts';
import { selectGiven } from '../../state/answers.ts';
import { selectBook } from '../../state/selectors.ts';
import type { Store } from '../../state/store.ts';
import type { SweepRun } from '../../sweep/run.ts';

interface Props {
  ready: boolean;
  begin: (name: string, files: readonly SiteFile[]) => void;
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
      if (!inside) return setSaid(`“${first.name}” is no zip file that can be read.`);
      return open(first.name, inside);
    }
    const folder = first.webkitRelativePath.split('/')[0];
    return open(folder || (files.length === 1 ? first.name : `${files.length} files`), files.map(siteFile));
  };
  const open = (name: string, files: readonly SiteFile[]): void => {
    const wanted = files.filter((file) => containerOf(file.name));
    if (wanted.length === 0)
      return setSaid(`“${name}” holds no file that is looked into: HTML, Markdown, XML, feeds, CSV and JSON are.`);
    begin(name, wanted);
  };
  const sample = (): void => {
    const state = store.getState();
    open(
      'Sample site',
      sampleSite(selectBook(state), selectGiven(state).cards).map(({ name, text }) => ({ name, content: new Blob([text]) })),
    );
  };
  const onDrop = (event: DragEvent): void => {
    event.preventDefault();
    void take([...event.dataTransfer.files]);
  };
  return (
    <div className="sweep sweep-input" onDrop={onDrop} onDragOver={(event) => event.preventDefault()}>
      <h1>Sweep</h1>
      <p>
        Finds every embed of a site, says what is wrong with each, and changes what you choose. Every other byte of the files
        stays as it is.
      </p>
      {siteField}
      <div className="sweep-ways">
        <Files words="Open a folder" disabled={!ready} take={take} folder />
        <Files words="Open a zip or files" disabled={!ready} take={take} />
        <Button disabled={!ready} onClick={sample}>
          Try a sample site
        </Button>
      </div>
      <p className="quiet">
        You can also drop files or a zip here. HTML, Markdown, XML exports, feeds, CSV and JSON are looked into; nothing leaves
        this computer, and nothing is written before you say so.
      </p>
      <p role="status">{said}</p>
    </div>
  );
}

interface FilesProps {
  words: string;
  disabled: boolean;
  take: (files: readonly File[]) => Promise<void>;
  folder?: boolean;
}

const Files = ({ words, disabled, take, folder = false }: FilesProps): ReactElement => (
  <Button component="label" role={undefined} variant={folder ? 'contained' : 'outlined'} disabled={disabled}>
    {words}
    <input
      type="file"
      className="hidden-words"
      multiple
      disabled={disabled}
      {...(folder && { webkitdirectory: '' })}
      onChange={({ target }) => {
        const files = [...(target.files ?? [])];
        target.value = '';
        void take(files);
      }}
    />
  </Button>
);
