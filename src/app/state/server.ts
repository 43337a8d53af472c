import { freeze } from '@reduxjs/toolkit';
import { createApi, fetchBaseQuery, type FetchBaseQueryError } from '@reduxjs/toolkit/query';
import { z } from 'zod';
import { cardSchema, type HostCard } from '../../core/known/hosts/card.ts';
import type { Providers } from '../../core/known/hosts/providers.ts';
import { endpointFor } from '../../core/known/hosts/providers.ts';
import { styleSchema } from '../../core/known/styles/style.ts';
import { factsSchema } from '../../core/keeping/shelf/saved.ts';
import { siteSchema, type Site } from '../../core/model/site.ts';
import { reachedSchema } from '../../core/proof/reach/reached.ts';

const teamAnswer = z.object({
  /** Another one whenever something has changed; empty where there is no team's folder. */
  stamp: z.string(),
  /** Ids of the cards and sites that are the team's. */
  cards: z.array(z.string()),
  sites: z.array(z.string()),
  /** By the id of their site. */
  styles: z.record(z.string(), styleSchema),
});
/** What a team keeps on the server for everybody. */
export type Team = z.infer<typeof teamAnswer>;

/** Cards and sites that ship with the application, and a link to begin with. */
export interface Given {
  cards: HostCard[];
  sites: Site[];
  example: string;
  team: Team;
}

const someCards = z.array(z.unknown());
const someSites = z.array(siteSchema).min(1);
const demoItems = z.array(z.object({ links: z.array(z.string()).min(1) })).min(1);

const saidSchema = z.object({
  facts: factsSchema,
  /** What the page of a link of no card says of its player. */
  found: z.object({ by: z.enum(['oembed', 'openGraph', 'jsonLd']), text: z.string().max(20_000) }).nullable(),
  refused: z.string().nullable(),
});
/** What a host, or a page itself, says of an item. */
export type Said = z.infer<typeof saidSchema>;

const reachedAnswer = z.object({ reached: z.array(reachedSchema) });

const cardFile = z.union([z.object({ text: z.string().max(1_000_000) }), z.object({ why: z.string() })]);
const libraryAnswer = z.object({ list: z.string().max(1_000_000), files: z.record(z.string(), cardFile) });

const searchAnswer = z.object({
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

const feedAnswer = z.object({ text: z.string(), address: z.string() });

interface SaidWanted {
  link: string;
  /** The canonical link, under which the answer is kept. */
  about: string;
  /** Width of the column, in pixels. */
  width: number | undefined;
}

/** Seconds that an answer is kept after nobody asks for it any more: as long as the window is open. */
const FOR_GOOD = Infinity;
/** Milliseconds after which a host that took too long is asked again. */
const PAUSES = [2000, 6000];

const post = (url: string, body: object, timeout = 10_000) => ({ url, method: 'POST', body, timeout });

const UNEXPECTED: FetchBaseQueryError = { status: 'CUSTOM_ERROR', error: 'unexpected' };

/** What the server of Refenestra can be asked; answers are checked, kept, and asked for once where many want them. */
export const server = createApi({
  reducerPath: 'server',
  // The address is whole, since this is read outside of a page too.
  baseQuery: fetchBaseQuery({ baseUrl: `${globalThis.location?.origin ?? 'http://localhost'}/api/`, timeout: 10_000 }),
  keepUnusedDataFor: FOR_GOOD,
  catchSchemaFailure: () => UNEXPECTED,
  endpoints: (build) => ({
    health: build.query<unknown, void>({ query: () => 'health' }),
    given: build.query<Given, void>({
      queryFn: async (_none, _api, _extra, ask) => {
        const answers = await Promise.all([ask('hosts'), ask('sites'), ask('demo'), ask('team')]);
        const failed = answers.find(({ error }) => error !== undefined);
        if (failed) return { error: failed.error! };
        const [cards, sites, demo, team] = answers.map(({ data }) => data);
        const example = demoItems.safeParse(demo).data?.[0]?.links[1] ?? '';
        const shared = teamAnswer.safeParse(team).data;
        const places = someSites.safeParse(sites).data;
        const checked = await checkCards(someCards.safeParse(cards).data ?? [undefined]);
        if (!places || !checked || !shared) return { error: UNEXPECTED };
        // Frozen, so that the store does not look through every card for drafts.
        return { data: freeze({ cards: checked, sites: places, example, team: shared }) };
      },
    }),
    team: build.query<{ stamp: string }, void>({
      query: () => 'team',
      responseSchema: z.object({ stamp: z.string() }),
      keepUnusedDataFor: 0,
    }),
    said: build.query<Said, SaidWanted>({
      queryFn: async ({ link, width }, { getState }, _extra, ask) => {
        const { providers } = (getState() as { world: { providers: Providers } }).world;
        const endpoint = endpointFor(link, providers);
        const once = () => ask(post('resolve', { url: link, endpoint, maxwidth: width }));
        for (const pause of PAUSES) {
          const answer = await once();
          if (!isSlow(answer)) return answer as { data: Said };
          await new Promise((done) => setTimeout(done, pause));
        }
        return (await once()) as { data: Said };
      },
      responseSchema: saidSchema,
      serializeQueryArgs: ({ queryArgs }) => queryArgs.about,
    }),
    reached: build.query<z.infer<typeof reachedAnswer>, { url: string; site: string }>({
      query: (asked) => post('reach', asked),
      responseSchema: reachedAnswer,
    }),
    library: build.query<z.infer<typeof libraryAnswer>, string>({
      query: (url) => post('library', { url }, 60_000),
      responseSchema: libraryAnswer,
      keepUnusedDataFor: 0,
    }),
    search: build.query<z.infer<typeof searchAnswer>, { description: string; words: string }>({
      query: (asked) => post('search', asked, 20_000),
      responseSchema: searchAnswer,
      keepUnusedDataFor: 60,
    }),
    feed: build.query<z.infer<typeof feedAnswer>, string>({
      query: (url) => post('feed', { url }, 60_000),
      responseSchema: feedAnswer,
      keepUnusedDataFor: 0,
    }),
  }),
});

/** Milliseconds of checking at once, since the screen is drawn meanwhile. */
const SLICE = 12;

/** Null where one of them is none. */
async function checkCards(cards: readonly unknown[]): Promise<HostCard[] | null> {
  const checked: HostCard[] = [];
  let since = performance.now();
  for (const card of cards) {
    const { data } = cardSchema.safeParse(card);
    if (!data) return null;
    checked.push(data);
    if (performance.now() - since < SLICE) continue;
    await new Promise((done) => setTimeout(done, 0));
    since = performance.now();
  }
  return checked;
}

/** Asks once, without anybody who waits for news of it. */
export const ONCE = { subscribe: false, forceRefetch: true } as const;

/** The host took too long, or the time of the question was up. */
function isSlow({ data, error }: { data?: unknown; error?: FetchBaseQueryError | undefined }): boolean {
  if (error) return error.status === 'TIMEOUT_ERROR';
  const refused = saidSchema.safeParse(data).data?.refused;
  return refused === 'tooSlow' || refused === 'noAnswer';
}

const problem = z.object({ code: z.string() });

/** Why something was refused, as the code of its problem details (RFC 9457); `noServer` where nobody answered at all. */
export function whyRefused(error: unknown): string {
  const { status, data } = (error ?? {}) as { status?: unknown; data?: unknown };
  if (status === 'FETCH_ERROR') return 'noServer';
  return problem.safeParse(data).data?.code ?? 'noAnswer';
}

/** A picture of a host, fetched by the server, since no page may read those of other origins. */
export async function loadPicture(url: string): Promise<Blob> {
  const answer = await fetch('/api/picture', {
    method: 'POST',
    headers: { 'Content-Type': 'application/json' },
    body: JSON.stringify({ url }),
    signal: AbortSignal.timeout(15_000),
  });
  if (!answer.ok) throw new Error(`the picture was refused: ${answer.status}`);
  return answer.blob();
}
