import { useVirtualizer } from '@tanstack/react-virtual';
import { useEffect, useMemo, useRef, useState, type ReactElement } from 'react';
import { Link } from 'react-router';
import type { SavedEmbed, State } from '../../../core/shelf/saved.ts';
import type { Entry } from '../../../core/shelf/search.ts';
import { saySetting } from '../../../messages/en.ts';
import { KIND_WORDS } from '../../../messages/kinds.ts';
import { STATE_NAMES } from '../../../messages/shelf.ts';
import type { SettingValue } from '../../../core/model/values.ts';
import type { SettingId } from '../../../core/settings/list.ts';
import { selectCards, selectSites } from '../../state/selectors.ts';
import { useAppSelector } from '../../state/store.ts';
import { findPictures } from '../../storage/embeds.ts';

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
  useEffect(() => list.measure(), [list, rows]);
  const faces = useFaces(
    inSight.flatMap(({ index }) => {
      const row = rows[index];
      return row && 'entry' in row ? row.entry.embed.id : [];
    }),
  );
  return (
    <div className="shelf-list" ref={place} tabIndex={0} role="region" aria-label="Saved embeds">
      <ul style={{ height: list.getTotalSize() }}>
        {inSight.map(({ index, start, size }) => {
          const row = rows[index]!;
          const style = { transform: `translateY(${start}px)`, height: size };
          if ('site' in row)
            return (
              <li key={`site ${row.site}`} className="shelf-site" style={style}>
                <SiteName id={row.site} /> <small>{row.count}</small>
              </li>
            );
          const { embed, state } = row.entry;
          return (
            <li key={embed.id} className="shelf-row" style={style} data-open={embed.id === open} data-state={state}>
              <input
                type="checkbox"
                aria-label={`Choose ${embed.title}`}
                checked={chosen.has(embed.id)}
                onChange={(event) => choose(embed.id, event.target.checked)}
              />
              <span className="shelf-face">{faces.get(embed.id) && <img src={faces.get(embed.id)} alt="" />}</span>
              <RowWords embed={embed} state={state} />
              <button
                type="button"
                className="inline-remedy"
                aria-expanded={embed.id === open}
                aria-label={`More on ${embed.title}`}
                onClick={() => setOpen(embed.id === open ? null : embed.id)}
              >
                More
              </button>
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
  return <>{sites.find((site) => site.id === id)?.name ?? 'No site'}</>;
}

function RowWords({ embed, state }: { embed: SavedEmbed; state: State }): ReactElement {
  const cards = useAppSelector(selectCards);
  const kind = KIND_WORDS[embed.kind]?.replace(/^an? /, '') ?? 'not recognised';
  const host = cards.find((card) => card.id === embed.host)?.name;
  return (
    <>
      <span className="shelf-title">
        <Link to={`/bench/${embed.id}`}>{embed.title}</Link>
        <small>{setWords(embed)}</small>
      </span>
      <span className="shelf-kind">
        {kind}
        {host && <small>{host}</small>}
      </span>
      <span className="shelf-where">
        <SiteName id={embed.work.site} />
        {embed.tags.length > 0 && <small>{embed.tags.map((tag) => `#${tag}`).join(' ')}</small>}
      </span>
      <span className="shelf-state" data-state={state}>
        {STATE_NAMES[state]}
        {embed.placed.length > 0 && <small>{embed.placed.length === 1 ? 'on 1 page' : `on ${embed.placed.length} pages`}</small>}
      </span>
      <time className="number">{when.format(embed.changed)}</time>
    </>
  );
}

const when = new Intl.DateTimeFormat('en', { dateStyle: 'medium', timeStyle: 'short' });

/** The settings that the publisher touched, as the sentences of the Bench. */
function setWords({ work }: SavedEmbed): string {
  const touched = Object.entries(work.changes).filter(([id, value]) => value !== null && id !== 'title') as [
    SettingId,
    SettingValue,
  ][];
  return touched.map(([id, value]) => saySetting(id, value)).join(' · ') || 'as the link says';
}

/** The small pictures of the rows in sight, by id of their embeds. */
function useFaces(ids: readonly string[]): ReadonlyMap<string, string> {
  const [faces, setFaces] = useState<ReadonlyMap<string, string>>(new Map());
  const wanted = ids.join(' ');
  useEffect(() => {
    let current = true;
    findPictures(wanted.split(' '))
      .then((found) => current && setFaces(new Map(found.map(({ id, address }) => [id, address]))))
      .catch(() => undefined);
    return () => {
      current = false;
    };
  }, [wanted]);
  return faces;
}
