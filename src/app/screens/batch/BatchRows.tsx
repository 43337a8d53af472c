import { Button, LinearProgress } from '@mui/material';
import { useDeferredValue, useMemo, useState, type ReactElement } from 'react';
import { ROLES, type Role } from '../../../core/many/batch/columns.ts';
import type { MadeRow } from '../../../core/many/batch/row.ts';
import { SETTINGS } from '../../../core/known/settings/list.ts';
import { countRows, sayBatch, sayRole } from '../../../messages/batch.ts';
import { ROW_ORDER } from '../../../workers/messages.ts';
import type { BatchRun, BatchState, KeptBatch } from '../../batch/run.ts';
import { saveFile } from '../../ui/files.ts';
import { SettingPick } from '../../ui/SettingPick.tsx';
import { RowList } from './RowList.tsx';
import { t } from '../../../messages/t.ts';
import { ChoiceField } from '../../fields/ChoiceField.tsx';

interface Props {
  run: BatchRun;
  state: BatchState;
  batch: KeptBatch;
  table: NonNullable<BatchState['table']>;
  begin: (part?: Partial<KeptBatch>) => void;
  again: () => void;
}

type Shown = 'all' | MadeRow['state'];

/** A batch that is being made, or is: its rows, what can be set for them, and the ways out. */
export function BatchRows({ run, state, batch, table, begin, again }: Props): ReactElement {
  const [shown, setShown] = useState<Shown>('all');
  const [chosen, setChosen] = useState<ReadonlySet<number>>(new Set());
  const { states, coded } = state.progress;
  const rows = useMemo(() => sorted(states), [states]);
  const visible = useMemo(() => (shown === 'all' ? ROW_ORDER.flatMap((one) => rows[one]) : rows[shown]), [rows, shown]);
  const count = state.progress.done;
  // Their many choices come in a task of their own, so that none holds up the screen.
  const choices = useDeferredValue(true, false);
  const running = state.phase === 'running';
  const numbers = chosen.size > 0 ? [...chosen] : Array.from({ length: count }, (_, row) => row);
  return (
    <div className="batch grid h-full grid-cols-[minmax(0,1fr)] grid-rows-[auto_auto_auto_auto_minmax(0,1fr)] px-4 pt-3 pb-0 max-desk:block max-desk:h-auto max-desk:p-3">
      <header className="line gap-x-3 gap-y-1.5 max-desk:[&_h1]:flex-[1_0_100%]">
        <h1>
          {t('Batch')}
          {batch.name && <small> {batch.name}</small>}
        </h1>
        <div
          className="line flex-1 max-desk:flex-[1_0_100%] [&_[aria-pressed='true']]:[border-width:2px] [&_[aria-pressed='true']]:underline [&_[data-state='look']]:text-amber [&_[data-state='person']]:text-brick"
          role="group"
          aria-label={t('Rows shown')}
        >
          {(['all', 'person', 'look', 'done'] as const).map((one) => (
            <button
              key={one}
              type="button"
              className="inline-remedy"
              data-state={one}
              aria-pressed={shown === one}
              onClick={() => setShown(one)}
            >
              {countRows(one, one === 'all' ? count : rows[one].length)}
            </button>
          ))}
        </div>
        {running ? (
          <Button variant="outlined" onClick={run.cancel}>
            {t('Cancel')}
          </Button>
        ) : (
          <Outs run={run} batch={batch} some={coded > 0} />
        )}
        <Button onClick={again}>{t('New batch')}</Button>
      </header>
      <Progress run={run} state={state} total={table.count} />
      {choices && <Columns table={table} assign={(roles) => begin({ roles })} running={running} />}
      <div className="line batch-set min-h-10 gap-x-3 gap-y-1.5 pb-1.5 [&_.field]:max-w-[190px] [&_p]:m-0">
        <span>{chosen.size > 0 ? t('For the {chosen} chosen:', { chosen: chosen.size }) : t('For all rows:')}</span>
        {choices && (
          <SettingPick possible={SETTINGS} words={t('Set it')} take={(id, value) => run.set({ [id]: value }, numbers)} />
        )}
        {chosen.size > 0 && <Button onClick={() => setChosen(new Set())}>{t('Choose none')}</Button>}
        <p role="status">{state.said && sayBatch(state.said)}</p>
      </div>
      {count > 0 && (
        <RowList
          run={run}
          rows={visible}
          progress={state.progress}
          inSight={state.inSight}
          chosen={chosen}
          choose={(row, on) => setChosen(new Set(on ? [...chosen, row] : [...chosen].filter((one) => one !== row)))}
        />
      )}
    </div>
  );
}

/** The numbers of the rows by state, in the order in which they came. */
function sorted(states: Uint8Array): Record<MadeRow['state'], number[]> {
  const rows: Record<MadeRow['state'], number[]> = { person: [], look: [], done: [] };
  states.forEach((state, row) => {
    if (state > 0) rows[ROW_ORDER[state - 1]!].push(row);
  });
  return rows;
}

const allMade = (total: number): string =>
  t('{count, plural, one {The row is made.} other {All # rows are made.}}', { count: total });

function Progress({ run, state, total }: Pick<Props, 'run' | 'state'> & { total: number }): ReactElement {
  const { phase } = state;
  const { done, asked, toAsk, unasked } = state.progress;
  const share = toAsk > 0 ? asked / toAsk : total === 0 ? 1 : done / total;
  const words =
    phase === 'cancelled'
      ? t('Cancelled after {done} of {total} rows. What is made stays, and can be copied.', { done, total })
      : phase === 'done'
        ? allMade(total)
        : toAsk > 0
          ? t('{count, plural, one {The row is made} other {All # rows are made}}; {asked} of {toAsk} hosts’ answers are in.', {
              count: total,
              asked,
              toAsk,
            })
          : t('{done} of {total} rows are made.', { done, total });
  return (
    <div className="batch-progress grid min-h-7 grid-cols-[minmax(0,320px)_auto] items-center justify-start gap-3 [&>:only-child]:col-span-full">
      {phase === 'running' && <LinearProgress variant="determinate" value={share * 100} aria-label={t('How far the batch is')} />}
      <span role="status">{words}</span>
      {phase !== 'running' && unasked > 0 && (
        <p role="alert">
          {t(
            'The server did not answer, so the hosts of {count, plural, one {one row} other {# rows}} were not asked: titles, shapes and covers may be missing there.',
            { count: unasked },
          )}{' '}
          <Button size="small" onClick={run.askAgain}>
            {t('Ask them now')}
          </Button>
        </p>
      )}
    </div>
  );
}

interface ColumnsProps {
  table: Props['table'];
  assign: (roles: (Role | null)[]) => void;
  running: boolean;
}

/** What stands in the columns, and what each was taken for; another meaning makes the batch anew. */
function Columns({ table: { head, roles, sample, from }, assign, running }: ColumnsProps): ReactElement | null {
  if (from === 'text') return null;
  const all: Role[] = [...ROLES, ...SETTINGS.map(({ id }) => id)];
  const nameOf = (i: number): string => head?.[i] || t('Column {i}', { i: i + 1 });
  return (
    <div
      className="batch-columns mb-2 overflow-x-auto border border-line bg-pane [&_.field]:max-w-[190px] [&_:is(span,td)]:type-code [&_:is(span,td)]:text-quiet [&_:is(th,td)]:max-w-[260px] [&_:is(th,td)]:truncate [&_:is(th,td)]:border-0 [&_:is(th,td)]:border-r [&_:is(th,td)]:border-hair [&_:is(th,td)]:px-2.5 [&_:is(th,td)]:py-[3px] [&_table]:w-auto"
      role="region"
      aria-label={t('What the columns are')}
      tabIndex={0}
    >
      <table>
        <thead>
          <tr>
            {roles.map((role, i) => (
              <th key={i} scope="col">
                <ChoiceField
                  label={nameOf(i)}
                  labelled="above"
                  narrows={role !== null}
                  disabled={running}
                  value={role ?? ''}
                  options={[['', t('not used')], ...all.map((one) => [one, sayRole(one)] as const)]}
                  set={(one) => assign(roles.map((before, at) => (at === i ? one || null : before)))}
                />
              </th>
            ))}
          </tr>
        </thead>
        <tbody>
          {sample.map((cells, row) => (
            <tr key={row}>
              {roles.map((_, i) => (
                <td key={i} title={cells[i]}>
                  {cells[i]?.slice(0, LONGEST_CELL)}
                </td>
              ))}
            </tr>
          ))}
        </tbody>
      </table>
    </div>
  );
}

/** So much of a cell shows what stands in its column. */
const LONGEST_CELL = 120;

const TYPES = { csv: 'text/csv', html: 'text/html', zip: 'application/zip' } as const;

/** The ways out: a file, or the Shelf. */
function Outs({ run, batch, some }: Pick<Props, 'run' | 'batch'> & { some: boolean }): ReactElement {
  const name = batch.name.replace(/\.\w+$/, '') || 'batch';
  const save = async (kind: keyof typeof TYPES): Promise<void> =>
    saveFile(`${name}${kind === 'csv' ? '-codes' : ''}.${kind}`, await run.write(kind, name), TYPES[kind]);
  return (
    <>
      <Button variant="contained" disabled={!some} onClick={() => void save('csv')}>
        {t('Save as CSV')}
      </Button>
      <Button variant="outlined" disabled={!some} onClick={() => void save('html')}>
        {t('One HTML file')}
      </Button>
      <Button variant="outlined" disabled={!some} onClick={() => void save('zip')}>
        {t('A file for each')}
      </Button>
      <Button variant="outlined" disabled={!some} onClick={run.shelve}>
        {t('To the Shelf')}
      </Button>
    </>
  );
}
