import { useVirtualizer } from '@tanstack/react-virtual';
import { useRef, type ReactElement } from 'react';
import { useNavigate } from 'react-router';
import { ROW_STATES } from '../../../messages/batch.ts';
import { KIND_WORDS } from '../../../messages/kinds.ts';
import type { BatchRow } from '../../../workers/messages.ts';
import { run } from '../../batch/run.ts';
import { opened } from '../../state/bench.ts';
import { selectCards } from '../../state/selectors.ts';
import { useAppDispatch, useAppSelector } from '../../state/store.ts';
import { findEmbed } from '../../storage/embeds.ts';

interface Props {
  rows: readonly BatchRow[];
  chosen: ReadonlySet<number>;
  choose: (row: number, on: boolean) => void;
}

/** Height of a row in pixels. */
const ROW = 58;

/** The rows of a batch; of many thousands only those in sight are drawn. */
export function RowList({ rows, chosen, choose }: Props): ReactElement {
  const dispatch = useAppDispatch();
  const navigate = useNavigate();
  const cards = useAppSelector(selectCards);
  const place = useRef<HTMLDivElement>(null);
  // eslint-disable-next-line react-hooks/incompatible-library -- it keeps a state of its own, and nothing of it is handed on
  const list = useVirtualizer({
    count: rows.length,
    getScrollElement: () => place.current,
    estimateSize: () => ROW,
    overscan: 6,
    getItemKey: (i) => rows[i]!.row,
  });
  const open = async (row: BatchRow): Promise<void> => {
    run.opened(row);
    const saved = await findEmbed(row.work.id).catch(() => undefined);
    if (!saved) dispatch(opened(row.work));
    void navigate(`/bench/${row.work.id}`);
  };
  return (
    <div className="batch-list" ref={place} tabIndex={0} role="region" aria-label="Rows">
      <ul style={{ height: list.getTotalSize() }}>
        {list.getVirtualItems().map(({ index, start, key }) => {
          const row = rows[index]!;
          const words = row.told[0] ?? row.code;
          return (
            <li
              key={key}
              className="batch-row"
              data-state={row.state}
              style={{ transform: `translateY(${start}px)`, height: ROW }}
            >
              <input
                type="checkbox"
                aria-label={`Choose row ${row.row + 1}`}
                checked={chosen.has(row.row)}
                onChange={(event) => choose(row.row, event.target.checked)}
              />
              <span className="number">{row.row + 1}</span>
              <span className="batch-state">{ROW_STATES[row.state]}</span>
              <span className="batch-title">
                {row.title || row.work.text.slice(0, 80) || 'nothing in this row'}
                <small>
                  {row.kind === '' ? 'not recognised' : KIND_WORDS[row.kind]?.replace(/^an? /, '')}
                  {cards.find(({ id }) => id === row.host) && ` · ${cards.find(({ id }) => id === row.host)!.name}`}
                </small>
              </span>
              <span className={row.told.length > 0 ? 'batch-told' : 'batch-code'} title={words}>
                {words}
                {row.told.length > 1 && <small>and {row.told.length - 1} more</small>}
              </span>
              <button
                type="button"
                className="inline-remedy"
                aria-label={`Open row ${row.row + 1}`}
                onClick={() => void open(row)}
              >
                Open
              </button>
            </li>
          );
        })}
      </ul>
    </div>
  );
}
