import { useVirtualizer } from '@tanstack/react-virtual';
import { memo, useEffect, useMemo, useRef, type ReactElement } from 'react';
import { Link } from 'react-router';
import type { SavedEmbed } from '../../../core/keeping/shelf/saved.ts';
import type { Entry } from '../../../core/keeping/shelf/search.ts';
import { saySetting } from '../../../messages/settings.ts';
import { KIND_NAMES } from '../../../messages/kinds.ts';
import { STATE_NAMES } from '../../../messages/shelf.ts';
import type { SettingValue } from '../../../core/model/values.ts';
import type { SettingId } from '../../../core/known/settings/list.ts';
import { selectCards, selectSites } from '../../state/selectors.ts';
import { useAppSelector } from '../../state/store.ts';
import { showMoment, t } from '../../../messages/t.ts';
import { useThumbnails } from './useThumbnails.ts';
import { TickBox } from '../../fields/Tick.tsx';

interface Props {
  entries: readonly Entry[];
  bySite: boolean;
  open: string | null;
  setOpen: (id: string | null) => void;
  chosen: ReadonlySet<string>;
  choose: (id: string, on: boolean) => void;
}

/** Heights in pixels; every row has its own, so that only those in sight need to be there. */
const ROW = 60;
const HEADING = 34;

type Row = { entry: Entry } | { site: string; count: number };

/** The embeds as rows with their small pictures; of many thousands only those in sight are drawn. */
export function ShelfList({ entries, bySite, open, setOpen, chosen, choose }: Props): ReactElement {
  const rows = useMemo(() => (bySite ? grouped(entries) : entries.map((entry): Row => ({ entry }))), [entries, bySite]);
  const place = useRef<HTMLDivElement>(null);
  // eslint-disable-next-line react-hooks/incompatible-library -- it keeps a state of its own, and nothing of it is handed on
  const list = useVirtualizer({
    count: rows.length,
    getScrollElement: () => place.current,
    estimateSize: (i) => ('entry' in rows[i]! ? ROW : HEADING),
    overscan: 6,
  });
  const inSight = list.getVirtualItems();
  // Without headings all rows are equally high, and nothing has to be measured anew.
  const uneven = bySite ? rows : null;
  useEffect(() => list.measure(), [list, uneven]);
  const thumbnails = useThumbnails(
    inSight.flatMap(({ index }) => {
      const row = rows[index];
      return row && 'entry' in row ? row.entry.embed.id : [];
    }),
  );
  return (
    <div className="rows shelf-list area-[list]" ref={place} tabIndex={0} role="region" aria-label={t('Saved embeds')}>
      <ul style={{ height: list.getTotalSize() }}>
        {inSight.map(({ index, start, size }) => {
          const row = rows[index]!;
          const style = { transform: `translateY(${start}px)`, height: size };
          if ('site' in row)
            return (
              <li key={`site ${row.site}`} className="block bg-ground pt-2 font-semibold" style={style}>
                <SiteName id={row.site} /> <small>{row.count}</small>
              </li>
            );
          const { embed } = row.entry;
          // By its place, so that another answer of a search is laid into the rows that are there.
          return (
            <li
              key={index}
              className="shelf-row data-[open=true]:bg-green-wash max-desk:[&_:is(.shelf-thumbnail,.shelf-kind,.shelf-where,time)]:hidden [&>span]:min-w-0"
              style={style}
              data-open={embed.id === open}
              data-state={row.entry.state}
            >
              <Row
                entry={row.entry}
                thumbnail={thumbnails.get(embed.id)}
                open={embed.id === open}
                chosen={chosen.has(embed.id)}
                setOpen={setOpen}
                choose={choose}
              />
            </li>
          );
        })}
      </ul>
    </div>
  );
}

function grouped(entries: readonly Entry[]): Row[] {
  const groups = new Map<string, Entry[]>();
  for (const entry of entries) {
    const group = groups.get(entry.embed.work.site);
    if (group) group.push(entry);
    else groups.set(entry.embed.work.site, [entry]);
  }
  return [...groups].flatMap(([site, all]): Row[] => [{ site, count: all.length }, ...all.map((entry): Row => ({ entry }))]);
}

function SiteName({ id }: { id: string }): ReactElement {
  const sites = useAppSelector(selectSites);
  return <>{sites.find((site) => site.id === id)?.name ?? t('No site')}</>;
}

/** How the edge of a saved embed tells its state, beside the words. */
export const STATE_EDGE: Record<Entry['state'], string> = {
  draft: '',
  ready: 'border-double border-l-green',
  placed: 'border-l-green',
  look: 'border-dashed border-l-brick',
};

interface RowProps {
  entry: Entry;
  thumbnail: string | undefined;
  open: boolean;
  chosen: boolean;
  setOpen: (id: string | null) => void;
  choose: (id: string, on: boolean) => void;
}

/** One embed; drawn anew only when something of it has changed, however the list is moved. */
const Row = memo(function Row({ entry: { embed, state }, thumbnail, open, chosen, setOpen, choose }: RowProps): ReactElement {
  const host = useAppSelector((all) => selectCards(all).find((card) => card.id === embed.host)?.name);
  const kind = KIND_NAMES[embed.kind] ?? t('not recognised');
  return (
    <>
      <TickBox name={t('Choose {title}', { title: embed.title })} on={chosen} set={(on) => choose(embed.id, on)} />
      <span className="shelf-thumbnail block h-[45px] w-[80px] border border-hair bg-ground">
        {thumbnail && <img className="block size-full object-cover" src={thumbnail} alt="" />}
      </span>
      <span className="shelf-title">
        <Link className="block min-h-6 truncate leading-6 font-semibold" to={`/bench/${embed.id}`}>
          {embed.title}
        </Link>
        <small className="block truncate">{setWords(embed)}</small>
      </span>
      <span className="shelf-kind">
        {kind}
        {host && <small className="block truncate">{host}</small>}
      </span>
      <span className="shelf-where">
        <SiteName id={embed.work.site} />
        {embed.tags.length > 0 && <small className="block truncate">{embed.tags.map((tag) => `#${tag}`).join(' ')}</small>}
      </span>
      <span className={`marked ${STATE_EDGE[state]}`}>
        {STATE_NAMES[state]}
        {embed.placed.length > 0 && (
          <small className="block truncate">
            {embed.placed.length === 1 ? t('on 1 page') : t('on {count} pages', { count: embed.placed.length })}
          </small>
        )}
      </span>
      <time className="tabular-nums">{showMoment(embed.changed)}</time>
      <button
        type="button"
        className="inline-remedy"
        aria-expanded={open}
        aria-label={t('More on {title}', { title: embed.title })}
        onClick={() => setOpen(open ? null : embed.id)}
      >
        {t('More')}
      </button>
    </>
  );
});

/** The settings that the publisher touched, as the sentences of the Bench. */
function setWords({ work }: SavedEmbed): string {
  const touched = Object.entries(work.changes).filter(([id, value]) => value !== null && id !== 'title') as [
    SettingId,
    SettingValue,
  ][];
  return touched.map(([id, value]) => saySetting(id, value)).join(' · ') || t('as the link says');
}
