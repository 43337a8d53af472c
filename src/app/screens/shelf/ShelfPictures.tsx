import { useVirtualizer } from '@tanstack/react-virtual';
import { useEffect, useRef, useState, type ReactElement } from 'react';
import { Link } from 'react-router';
import type { Entry } from '../../../core/keeping/shelf/search.ts';
import { KIND_NAMES } from '../../../messages/kinds.ts';
import { STATE_NAMES } from '../../../messages/shelf.ts';
import { t } from '../../../messages/t.ts';
import { useThumbnails } from './useThumbnails.ts';
import { TickBox } from '../../fields/Tick.tsx';

interface Props {
  entries: readonly Entry[];
  open: string | null;
  setOpen: (id: string | null) => void;
  chosen: ReadonlySet<string>;
  choose: (id: string, on: boolean) => void;
}

/** Least width of a picture with its words, and the height of a row of them, in pixels. */
const WIDTH = 190;
const HEIGHT = 178;

/** The embeds as pictures side by side; of many thousands only those in sight are drawn. */
export function ShelfPictures({ entries, open, setOpen, chosen, choose }: Props): ReactElement {
  const place = useRef<HTMLDivElement>(null);
  const columns = useColumns(place);
  // eslint-disable-next-line react-hooks/incompatible-library -- it keeps a state of its own, and nothing of it is handed on
  const list = useVirtualizer({
    count: Math.ceil(entries.length / columns),
    getScrollElement: () => place.current,
    estimateSize: () => HEIGHT,
    overscan: 2,
  });
  const rows = list.getVirtualItems().map(({ index, start }) => ({
    start,
    some: entries.slice(index * columns, (index + 1) * columns),
  }));
  const thumbnails = useThumbnails(rows.flatMap(({ some }) => some.map(({ embed }) => embed.id)));
  return (
    <div className="rows shelf-list area-[list]" ref={place} tabIndex={0} role="region" aria-label={t('Saved embeds')}>
      <ul style={{ height: list.getTotalSize() }}>
        {rows.flatMap(({ start, some }) =>
          some.map(({ embed: { id, title, kind }, state }, i) => (
            <li
              key={id}
              className="shelf-picture [inset:0_auto_auto] grid-cols-[18px_minmax(0,1fr)_auto] grid-rows-[104px_26px_24px] gap-x-2 gap-y-1 p-2 data-[open=true]:bg-green-wash"
              data-open={id === open}
              style={{
                transform: `translateY(${start}px)`,
                height: HEIGHT,
                width: `${100 / columns}%`,
                insetInlineStart: `${(i * 100) / columns}%`,
              }}
            >
              <span className="shelf-thumbnail col-span-full border border-hair bg-ground">
                {thumbnails.has(id) && <img className="block size-full object-cover" src={thumbnails.get(id)} alt="" />}
              </span>
              <TickBox name={t('Choose {title}', { title })} on={chosen.has(id)} set={(on) => choose(id, on)} />
              <Link className="col-[2/-1] truncate leading-6.5 font-semibold" to={`/bench/${id}`}>
                {title}
              </Link>
              <small className="col-span-2 truncate">
                {KIND_NAMES[kind] ?? t('not recognised')} · {STATE_NAMES[state]}
              </small>
              <button
                type="button"
                className="inline-remedy"
                aria-expanded={id === open}
                aria-label={t('More on {title}', { title })}
                onClick={() => setOpen(id === open ? null : id)}
              >
                {t('More')}
              </button>
            </li>
          )),
        )}
      </ul>
    </div>
  );
}

/** How many fit side by side. */
function useColumns(place: { current: Element | null }): number {
  const [columns, setColumns] = useState(4);
  useEffect(() => {
    const watching = new ResizeObserver(([entry]) => setColumns(Math.max(1, Math.floor(entry!.contentRect.width / WIDTH))));
    watching.observe(place.current!);
    return () => watching.disconnect();
  }, [place]);
  return columns;
}
