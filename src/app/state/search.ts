import type { HostCard } from '../../core/known/hosts/card.ts';
import type { SearchResult } from '../../core/many/search/openSearch.ts';
import { server } from './server.ts';
import type { Dispatch } from './store.ts';

/** What one host found; `refused` where it could not be asked. */
export interface Searched {
  host: string;
  results: SearchResult[];
  refused: string | null;
}

export const canBeSearched = ({ search }: HostCard): boolean => search !== undefined;

/** Asks hosts for what has a name, each in its own time. */
export function searchHosts(dispatch: Dispatch, cards: readonly HostCard[], words: string): Promise<Searched[]> {
  return Promise.all(
    cards.flatMap(({ name, search }) => {
      if (!search) return [];
      const asked = { description: search.description, words };
      return [
        dispatch(server.endpoints.search.initiate(asked, { subscribe: false })).then(({ data }) => ({
          host: name,
          ...(data ?? { results: [], refused: 'noAnswer' }),
        })),
      ];
    }),
  );
}
