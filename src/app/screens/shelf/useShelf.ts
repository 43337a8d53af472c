import { useEffect, useMemo, useState } from 'react';
import { entryOf, type Entry } from '../../../core/keeping/shelf/search.ts';
import type { SavedEmbed } from '../../../core/keeping/shelf/saved.ts';
import { selectCards, selectSites } from '../../state/selectors.ts';
import { useAppSelector } from '../../state/store.ts';
import { watchEmbeds } from '../../storage/watch.ts';

/** Everything saved, ready to be searched: undefined until it has come, null where this window keeps nothing. */
export function useShelf(): Entry[] | undefined | null {
  const [embeds, setEmbeds] = useState<SavedEmbed[] | undefined | null>(undefined);
  const cards = useAppSelector(selectCards);
  const sites = useAppSelector(selectSites);
  useEffect(
    () =>
      watchEmbeds(setEmbeds, () => {
        setEmbeds((before) => before ?? null);
      }),
    [],
  );
  return useMemo(() => {
    const hosts = new Map(cards.map(({ id, name }) => [id, name]));
    const places = new Map(sites.map(({ id, name }) => [id, name]));
    const names = { host: (id: string) => hosts.get(id) ?? id, site: (id: string) => places.get(id) ?? '' };
    return embeds?.map((embed) => entryOf(embed, names)) ?? (embeds as undefined | null);
  }, [embeds, cards, sites]);
}
