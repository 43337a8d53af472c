import { Button } from '@mui/material';
import { useState, type ReactElement } from 'react';
import { useStore } from 'react-redux';
import type { Numbers } from '../../../core/many/sweep/numbers.ts';
import { reportOf, tableOf } from '../../../core/many/sweep/report.ts';
import { count } from '../../../messages/sweep.ts';
import { sweepPage } from '../../../messages/sweepPage.ts';
import { selectBook } from '../../state/selectors.ts';
import type { Store } from '../../state/store.ts';
import type { SweepRun, SweepState } from '../../sweep/run.ts';
import { filesIn, writeInto } from '../../sweep/folder.ts';
import { saveFile } from '../../ui/files.ts';
import { LastWritten } from './LastWritten.tsx';

interface Props {
  state: SweepState;
  run: SweepRun;
  numbers: Numbers;
  /** How many embeds are to be changed. */
  changes: number;
  /** Looks into what stands in the folder now. */
  again: (files: SweepState['files']) => void;
}

/** The ways out: the changed files, the diff and its reverse, and what was found as a report. */
export function Outs({ state, run, numbers, changes, again }: Props): ReactElement {
  const store = useStore() as Store;
  const [said, setSaid] = useState('');
  const done = state.phase === 'done' || state.phase === 'cancelled';
  const byAddress = state.files.some(({ name }) => /^https?:/i.test(name));
  const none = !done || changes === 0 || byAddress;
  const files = async (): Promise<void> => {
    const written = await run.written();
    saveFile('changed-files.zip', await run.pack(written.files), 'application/zip');
    setSaid(`${count(written.files.length, 'changed file')} saved as changed-files.zip. Unpack it over the site.`);
  };
  const patch = async (which: 'patch' | 'reverse'): Promise<void> => {
    const written = await run.written();
    const name = which === 'patch' ? 'sweep.patch' : 'sweep-back.patch';
    saveFile(name, written[which], 'text/x-diff');
    setSaid(`Saved. In the folder of the site: git apply ${name}, or patch -p1 < ${name}`);
  };
  const write = async (folder: FileSystemDirectoryHandle): Promise<void> => {
    const { written, missed } = await writeInto({
      folder,
      files: run.changedFiles().map(({ name, changes: its }) => ({ name, changes: its })),
    });
    setSaid(
      `${count(written, 'file')} written.${missed.length > 0 ? ` Changed by somebody else meanwhile, and left: ${missed.slice(0, 5).join(', ')}.` : ''}`,
    );
    again(await filesIn(folder));
  };
  const page = (): string =>
    sweepPage(state.swept, numbers, {
      title: `Sweep: ${state.name}`,
      day: store.getState().view.today,
      nameOf: (id) => selectBook(store.getState()).byId.get(id)?.card.name,
    });
  return (
    <section className="sweep-outs" aria-label="Take away">
      {state.folder && (
        <Button variant="contained" disabled={none} onClick={() => void write(state.folder!)}>
          Write into the folder ({count(changes, 'embed')})
        </Button>
      )}
      <LastWritten say={setSaid} />
      <Button variant={state.folder ? 'outlined' : 'contained'} disabled={none} onClick={() => void files()}>
        {changes === 0 ? 'Save the changed files' : `Save the changed files (${count(changes, 'embed')})`}
      </Button>
      <div>
        <Button variant="outlined" disabled={none} onClick={() => void patch('patch')}>
          Save the patch
        </Button>
        <Button variant="outlined" disabled={none} onClick={() => void patch('reverse')}>
          Save the way back
        </Button>
      </div>
      {byAddress && (
        <p className="quiet">
          Pages at an address cannot be written from here. Copy codes one by one, or open the folder of the site.
        </p>
      )}
      <h3>Report</h3>
      <div>
        <Button disabled={!done} onClick={() => saveFile('sweep.html', page(), 'text/html')}>
          As a page
        </Button>
        <Button disabled={!done} onClick={() => saveFile('sweep.csv', tableOf(reportOf(state.swept, false)), 'text/csv')}>
          As CSV
        </Button>
        <Button disabled={!done} onClick={() => saveFile('sweep.json', JSON.stringify(reportOf(state.swept, false), null, 2))}>
          As JSON
        </Button>
      </div>
      <p role="status">{said}</p>
    </section>
  );
}
