import { z } from 'zod';
import type { HostCard } from '../../core/known/hosts/card.ts';
import type { SearchResult } from '../../core/many/search/openSearch.ts';

const answer = z.object({
  results: z
    .array(
      z.object({
        link: z.url({ protocol: /^https?$/ }),
        title: z.string().max(300),
        duration: z.number().optional(),
        date: z.string().max(20).optional(),
        cover: z.string().max(4000).optional(),
      }),
    )
    .max(100),
  refused: z.string().nullable(),
});

/** What one host found; `refused` where it could not be asked. */
export interface Searched {
  host: string;
  results: SearchResult[];
  refused: string | null;
}

export const canBeSearched = ({ search }: HostCard): boolean => search !== undefined;

/** Asks hosts for what has a name, each in its own time. */
export function searchHosts(cards: readonly HostCard[], words: string): Promise<Searched[]> {
  return Promise.all(
    cards.flatMap(({ name, search }) => (search ? [searchHost({ name, description: search.description }, words)] : [])),
  );
}

async function searchHost({ name, description }: { name: string; description: string }, words: string): Promise<Searched> {
  try {
    const response = await fetch('/api/search', {
      method: 'POST',
      headers: { 'Content-Type': 'application/json' },
      body: JSON.stringify({ description, words }),
      signal: AbortSignal.timeout(20_000),
    });
    return { host: name, ...answer.parse(await response.json()) };
  } catch {
    return { host: name, results: [], refused: 'noAnswer' };
  }
}
