import { startTransition, useEffect, useMemo, useRef, useState } from 'react';
import { entryOf, type Entry, type Names } from '../../../core/keeping/shelf/search.ts';
import type { SavedEmbed } from '../../../core/keeping/shelf/saved.ts';
import { selectCards, selectSites } from '../../state/selectors.ts';
import { useAppSelector } from '../../state/store.ts';
import { watchEmbeds, type Stock } from '../../storage/watch.ts';

/** Everything saved, ready to be searched. */
export interface Shelved extends Omit<Stock, 'embeds'> {
  entries: Entry[];
}

/** Undefined until something has come, null where this window keeps nothing. */
export function useShelf(): Shelved | undefined | null {
  const [stock, setStock] = useState<Stock | undefined | null>(undefined);
  const cards = useAppSelector(selectCards);
  const sites = useAppSelector(selectSites);
  const entryFor = useMemo(() => {
    const hosts = new Map(cards.map(({ id, name }) => [id, name]));
    const places = new Map(sites.map(({ id, name }) => [id, name]));
    return entryMaker({ host: (id) => hosts.get(id) ?? id, site: (id) => places.get(id) ?? '' });
  }, [cards, sites]);
  const latest = useRef(entryFor);
  useEffect(() => void (latest.current = entryFor), [entryFor]);
  useEffect(
    () =>
      watchEmbeds(
        // Of many thousands, the screen is drawn in pieces, too.
        (found) => startTransition(() => setStock(found)),
        () => setStock((before) => before ?? null),
        (embed) => latest.current(embed),
      ),
    [],
  );
  return useMemo(() => {
    if (!stock) return stock;
    const { embeds, ...rest } = stock;
    return { ...rest, entries: embeds.map(entryFor) };
  }, [stock, entryFor]);
}

/** Entries under these names; an embed that has not changed keeps its own. */
function entryMaker(names: Names): (embed: SavedEmbed) => Entry {
  const made = new WeakMap<SavedEmbed, Entry>();
  return (embed) => {
    const entry = made.get(embed) ?? entryOf(embed, names);
    made.set(embed, entry);
    return entry;
  };
}
