import { Button, LinearProgress } from '@mui/material';
import { useMemo, useState, type ReactElement } from 'react';
import { ROLES, type Role } from '../../../core/batch/columns.ts';
import type { MadeRow } from '../../../core/batch/row.ts';
import { SETTINGS } from '../../../core/settings/list.ts';
import { ROW_STATES, sayBatch, sayRole } from '../../../messages/batch.ts';
import type { BatchRow } from '../../../workers/messages.ts';
import { run, type BatchState, type KeptBatch } from '../../batch/run.ts';
import { saveFile } from '../../ui/files.ts';
import { SettingPick } from '../../ui/SettingPick.tsx';
import { RowList } from './RowList.tsx';

interface Props {
  state: BatchState;
  batch: KeptBatch;
  table: NonNullable<BatchState['table']>;
  begin: (part?: Partial<KeptBatch>) => void;
  again: () => void;
}

type Shown = 'all' | MadeRow['state'];
const ORDER = { person: 0, look: 1, done: 2 } as const;

/** A batch that is being made, or is: its rows, what can be set for them, and the ways out. */
export function BatchRows({ state, batch, table, begin, again }: Props): ReactElement {
  const [shown, setShown] = useState<Shown>('all');
  const [chosen, setChosen] = useState<ReadonlySet<number>>(new Set());
  const { rows, counts } = useMemo(() => sorted(state), [state]);
  const visible = shown === 'all' ? rows : rows.filter((row) => row.state === shown);
  const running = state.phase === 'running';
  const numbers = chosen.size > 0 ? [...chosen] : rows.map(({ row }) => row);
  return (
    <div className="batch">
      <header className="batch-head">
        <h1>Batch{batch.name && <small> {batch.name}</small>}</h1>
        <div className="batch-counts" role="group" aria-label="Rows shown">
          {(['all', 'person', 'look', 'done'] as const).map((one) => (
            <button
              key={one}
              type="button"
              className="inline-remedy"
              data-state={one}
              aria-pressed={shown === one}
              onClick={() => setShown(one)}
            >
              {one === 'all' ? (rows.length === 1 ? '1 row' : `${rows.length} rows`) : `${counts[one]} ${ROW_STATES[one]}`}
            </button>
          ))}
        </div>
        {running ? (
          <Button variant="outlined" onClick={run.cancel}>
            Cancel
          </Button>
        ) : (
          <Outs batch={batch} rows={rows} />
        )}
        <Button onClick={again}>New batch</Button>
      </header>
      <Progress state={state} total={table.count} />
      <Columns table={table} assign={(roles) => begin({ roles })} running={running} />
      <div className="batch-set">
        <span>{chosen.size > 0 ? `For the ${chosen.size} chosen:` : 'For all rows:'}</span>
        <SettingPick possible={SETTINGS} words="Set it" take={(id, value) => run.set({ [id]: value }, numbers)} />
        {chosen.size > 0 && <Button onClick={() => setChosen(new Set())}>Choose none</Button>}
        <p role="status">{state.said && sayBatch(state.said)}</p>
      </div>
      <RowList
        rows={visible}
        chosen={chosen}
        choose={(row, on) => setChosen(new Set(on ? [...chosen, row] : [...chosen].filter((one) => one !== row)))}
      />
    </div>
  );
}

/** Those that need somebody first, otherwise in the order in which they came. */
function sorted({ rows: all }: BatchState): { rows: BatchRow[]; counts: Record<MadeRow['state'], number> } {
  const rows = all.filter(Boolean);
  const counts = { person: 0, look: 0, done: 0 };
  for (const row of rows) counts[row.state]++;
  return { rows: rows.sort((a, b) => ORDER[a.state] - ORDER[b.state] || a.row - b.row), counts };
}

const allMade = (total: number): string => (total === 1 ? 'The row is made.' : `All ${total} rows are made.`);

function Progress({ state, total }: { state: BatchState; total: number }): ReactElement {
  const { phase, done, asked, toAsk } = state;
  const share = toAsk > 0 ? asked / toAsk : total === 0 ? 1 : done / total;
  const words =
    phase === 'cancelled'
      ? `Cancelled after ${done} of ${total} rows. What is made stays, and can be taken.`
      : phase === 'done'
        ? allMade(total)
        : toAsk > 0
          ? `${allMade(total).slice(0, -1)}; ${asked} of ${toAsk} hosts’ answers are in.`
          : `${done} of ${total} rows are made.`;
  return (
    <div className="batch-progress">
      {phase === 'running' && <LinearProgress variant="determinate" value={share * 100} aria-label="How far the batch is" />}
      <span role="status">{words}</span>
    </div>
  );
}

interface ColumnsProps {
  table: Props['table'];
  assign: (roles: (Role | null)[]) => void;
  running: boolean;
}

/** What each column was taken for; another meaning makes the batch anew. */
function Columns({ table: { head, roles, sample, from }, assign, running }: ColumnsProps): ReactElement | null {
  if (from === 'text') return null;
  const all: Role[] = [...ROLES, ...SETTINGS.map(({ id }) => id)];
  return (
    <div className="batch-columns" role="group" aria-label="What the columns are">
      {roles.map((role, i) => (
        <label key={i}>
          <span>{head?.[i] ?? sample[0]?.[i]?.slice(0, 24) ?? `Column ${i + 1}`}</span>
          <select
            value={role ?? ''}
            disabled={running}
            data-set={role !== null}
            onChange={(event) => assign(roles.map((one, at) => (at === i ? ((event.target.value || null) as Role | null) : one)))}
          >
            <option value="">not used</option>
            {all.map((one) => (
              <option key={one} value={one}>
                {sayRole(one)}
              </option>
            ))}
          </select>
        </label>
      ))}
    </div>
  );
}

const TYPES = { csv: 'text/csv', html: 'text/html', zip: 'application/zip' } as const;

/** The ways out: a file, or the Shelf. */
function Outs({ batch, rows }: { batch: KeptBatch; rows: readonly BatchRow[] }): ReactElement {
  const name = batch.name.replace(/\.\w+$/, '') || 'batch';
  const some = rows.some(({ code }) => code !== '');
  const save = async (kind: keyof typeof TYPES): Promise<void> =>
    saveFile(`${name}${kind === 'csv' ? '-codes' : ''}.${kind}`, await run.out(kind, name), TYPES[kind]);
  return (
    <>
      <Button variant="contained" disabled={!some} onClick={() => void save('csv')}>
        Save as CSV
      </Button>
      <Button variant="outlined" disabled={!some} onClick={() => void save('html')}>
        One HTML file
      </Button>
      <Button variant="outlined" disabled={!some} onClick={() => void save('zip')}>
        A file for each
      </Button>
      <Button variant="outlined" disabled={!some} onClick={run.shelve}>
        To the Shelf
      </Button>
    </>
  );
}
