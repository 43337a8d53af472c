import { Button } from '@mui/material';
import { useState, type ReactElement } from 'react';
import { useStore } from 'react-redux';
import { reportOf, tableOf } from '../../../core/many/sweep/report.ts';
import { sweepPage } from '../../../messages/sweepPage.ts';
import { sayNoPatch } from '../../../messages/sweep.ts';
import { selectBook } from '../../state/selectors.ts';
import type { Store } from '../../state/store.ts';
import type { SweepRun, SweepState } from '../../sweep/run.ts';
import { filesIn, writeInto } from '../../sweep/folder.ts';
import { saveFile } from '../../ui/files.ts';
import { LastWritten } from './LastWritten.tsx';
import { t } from '../../../messages/t.ts';

interface Props {
  state: SweepState;
  run: SweepRun;
  /** How many embeds are to be changed. */
  changes: number;
  /** Looks into what stands in the folder now. */
  again: (files: SweepState['files']) => void;
}

/** The ways out: the changed files, the diff and its reverse, and what was found as a report. */
export function Outs({ state, run, changes, again }: Props): ReactElement {
  const store = useStore() as Store;
  const [said, setSaid] = useState('');
  const done = state.phase === 'done' || state.phase === 'cancelled';
  const byAddress = state.files.some(({ name }) => /^https?:/i.test(name));
  const none = !done || changes === 0 || byAddress;
  const files = async (): Promise<void> => {
    const written = await run.written();
    saveFile('changed-files.zip', await run.pack(written.files), 'application/zip');
    setSaid(
      t('{files, plural, one {# changed file} other {# changed files}} saved as changed-files.zip. Unpack it over the site.', {
        files: written.files.length,
      }),
    );
  };
  const patch = async (which: 'patch' | 'reverse'): Promise<void> => {
    const written = await run.written();
    const name = which === 'patch' ? 'sweep.patch' : 'sweep-back.patch';
    saveFile(name, written[which], 'text/x-diff');
    const saved = t('Saved. In the folder of the site: git apply {name}, or patch -p1 < {name}', { name });
    setSaid(written.unpatched.length === 0 ? saved : `${saved} ${sayNoPatch(written.unpatched.slice(0, 5).join(', '))}`);
  };
  const write = async (folder: FileSystemDirectoryHandle): Promise<void> => {
    const { written, missed } = await writeInto({
      folder,
      files: run.changedFiles().map(({ name, changes: its }) => ({ name, changes: its })),
    });
    setSaid(
      missed.length > 0
        ? t('{written, plural, one {# file} other {# files}} written. Changed by somebody else meanwhile, and left: {missed}.', {
            written,
            missed: missed.slice(0, 5).join(', '),
          })
        : t('{written, plural, one {# file} other {# files}} written.', { written }),
    );
    again(await filesIn(folder));
  };
  const page = (): string =>
    sweepPage(state.listed.swept, state.listed.numbers, {
      title: t('Sweep: {name}', { name: state.name }),
      day: store.getState().view.today,
      nameOf: (id) => selectBook(store.getState()).byId.get(id)?.card.name,
    });
  return (
    <section className="mt-4 grid gap-2 border-t border-t-line pt-3 [&_p]:m-0 [&_p]:wrap-anywhere" aria-label={t('Take away')}>
      {state.folder && (
        <Button variant="contained" disabled={none} onClick={() => void write(state.folder!)}>
          {t('Write into the folder ({changes, plural, one {# embed} other {# embeds}})', { changes })}
        </Button>
      )}
      <LastWritten say={setSaid} />
      <Button variant={state.folder ? 'outlined' : 'contained'} disabled={none} onClick={() => void files()}>
        {changes === 0
          ? t('Save the changed files')
          : t('Save the changed files ({changes, plural, one {# embed} other {# embeds}})', { changes })}
      </Button>
      <div className="line">
        <Button variant="outlined" disabled={none} onClick={() => void patch('patch')}>
          {t('Save the patch')}
        </Button>
        <Button variant="outlined" disabled={none} onClick={() => void patch('reverse')}>
          {t('Save the way back')}
        </Button>
      </div>
      {byAddress && (
        <p className="text-quiet">
          {t('Pages at an address cannot be written from here. Copy codes one by one, or open the folder of the site.')}
        </p>
      )}
      <h3>{t('Report')}</h3>
      <div className="line">
        <Button disabled={!done} onClick={() => saveFile('sweep.html', page(), 'text/html')}>
          {t('As a page')}
        </Button>
        <Button disabled={!done} onClick={() => saveFile('sweep.csv', tableOf(reportOf(state.listed.swept, false)), 'text/csv')}>
          {t('As CSV')}
        </Button>
        <Button
          disabled={!done}
          onClick={() => saveFile('sweep.json', JSON.stringify(reportOf(state.listed.swept, false), null, 2))}
        >
          {t('As JSON')}
        </Button>
      </div>
      <p role="status">{said}</p>
    </section>
  );
}
