import { useVirtualizer } from '@tanstack/react-virtual';
import { useEffect, useRef, type ReactElement } from 'react';
import { useNavigate } from 'react-router';
import { ROW_STATES } from '../../../messages/batch.ts';
import { KIND_NAMES } from '../../../messages/kinds.ts';
import type { BatchProgress, BatchRow } from '../../../workers/messages.ts';
import type { BatchRun } from '../../batch/run.ts';
import { opened } from '../../state/bench.ts';
import { selectCards } from '../../state/selectors.ts';
import { useAppDispatch, useAppSelector } from '../../state/store.ts';
import { findEmbed } from '../../storage/embeds.ts';
import { t } from '../../../messages/t.ts';
import { TickBox } from '../../fields/Tick.tsx';

interface Props {
  run: BatchRun;
  /** Numbers of the rows, in the order in which they are shown. */
  rows: readonly number[];
  progress: BatchProgress;
  inSight: ReadonlyMap<number, BatchRow>;
  chosen: ReadonlySet<number>;
  choose: (row: number, on: boolean) => void;
}

/** Height of a row in pixels. */
const ROW = 58;

/** Characters of a row's code that a wide screen has room for; to lay out more is work for nothing. */
const SEEN = 240;

/** The rows of a batch; of many thousands only those in sight are drawn. */
export function RowList({ run, rows, progress, inSight, chosen, choose }: Props): ReactElement {
  const place = useRef<HTMLDivElement>(null);
  // eslint-disable-next-line react-hooks/incompatible-library -- it keeps a state of its own, and nothing of it is handed on
  const list = useVirtualizer({
    count: rows.length,
    getScrollElement: () => place.current,
    estimateSize: () => ROW,
    overscan: 3,
    getItemKey: (i) => rows[i]!,
  });
  const items = list.getVirtualItems();
  const wanted = items.map(({ index }) => rows[index]).join(' ');
  useEffect(() => run.show(wanted === '' ? [] : wanted.split(' ').map(Number)), [run, wanted, progress]);
  return (
    <div className="rows" ref={place} tabIndex={0} role="region" aria-label={t('Rows')}>
      <div
        className={`${COLUMNS} sticky top-0 z-1 grid h-6.5 items-center gap-3 border-b border-hair bg-ground px-3 text-small text-quiet max-desk:hidden`}
        aria-hidden
      >
        <span />
        <span className="text-right">{t('Row')}</span>
        <span>{t('State')}</span>
        <span>{t('Title')}</span>
        <span>{t('Code, or what is wrong')}</span>
      </div>
      <ul style={{ height: list.getTotalSize() }}>
        {items.map(({ index, start, key }) => {
          const number = rows[index]!;
          const row = inSight.get(number);
          return (
            <li
              key={key}
              className={`${COLUMNS} batch-row max-desk:grid-cols-[20px_28px_minmax(0,1fr)_56px] max-desk:gap-2 max-desk:[&>:is(.MuiCheckbox-root,.number,button)]:row-[1/3] max-desk:[&>button]:col-start-4 [&>span]:min-w-0`}
              style={{ transform: `translateY(${start}px)`, height: ROW }}
            >
              {row && <Row run={run} row={row} chosen={chosen.has(number)} choose={choose} />}
            </li>
          );
        })}
      </ul>
    </div>
  );
}

const COLUMNS = 'grid-cols-[20px_44px_92px_minmax(0,1fr)_minmax(0,1.5fr)_62px]';

/** Of what somebody has to see to. */
const LOOK: Partial<Record<BatchRow['state'], string>> = {
  look: 'border-double border-l-amber text-amber',
  person: 'border-dashed border-l-brick font-semibold text-brick',
};

interface RowProps {
  run: BatchRun;
  row: BatchRow;
  chosen: boolean;
  choose: Props['choose'];
}

function Row({ run, row: { row, state, title, kind, host, code, told }, chosen, choose }: RowProps): ReactElement {
  const dispatch = useAppDispatch();
  const navigate = useNavigate();
  const name = useAppSelector((all) => selectCards(all).find(({ id }) => id === host)?.name);
  const open = async (): Promise<void> => {
    const work = await run.open(row);
    const saved = await findEmbed(work.id).catch(() => undefined);
    if (!saved) dispatch(opened(work));
    void navigate(`/bench/${work.id}`);
  };
  const words = told[0] ?? code;
  return (
    <>
      <TickBox name={t('Choose row {row}', { row: row + 1 })} on={chosen} set={(on) => choose(row, on)} />
      <span className="number text-right text-quiet">{row + 1}</span>
      <span className={`marked max-desk:hidden ${LOOK[state] ?? 'border-l-green'}`}>{ROW_STATES[state]}</span>
      <span className="block max-h-13.5 truncate font-semibold max-desk:col-start-3">
        {title || t('nothing in this row')}
        <small className="block font-normal max-desk:hidden">
          {kind === '' ? t('not recognised') : KIND_NAMES[kind]}
          {name && ` · ${name}`}
        </small>
      </span>
      <span
        className={
          told.length > 0
            ? 'block max-h-13.5 overflow-hidden max-desk:col-start-3 max-desk:row-start-2 max-desk:truncate'
            : 'batch-code truncate type-code text-quiet max-desk:hidden'
        }
        title={words}
      >
        {told[0] ?? code.slice(0, SEEN)}
        {told.length > 1 && <small className="block max-desk:hidden">{t('and {count} more', { count: told.length - 1 })}</small>}
      </span>
      <button
        type="button"
        className="inline-remedy"
        aria-label={t('Open row {row}', { row: row + 1 })}
        onClick={() => void open()}
      >
        {t('Open')}
      </button>
    </>
  );
}
