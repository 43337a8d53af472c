import { createAsyncThunk, createSlice, type PayloadAction, type WritableDraft } from '@reduxjs/toolkit';
import { z } from 'zod';
import { cardSchema, type HostCard } from '../../core/known/hosts/card.ts';
import type { Facts } from '../../core/model/item.ts';
import { endpointFor, type Providers } from '../../core/known/hosts/providers.ts';
import { reachedSchema, type Reached } from '../../core/proof/reach/reached.ts';
import { siteSchema, type Site } from '../../core/model/site.ts';
import { factsSchema } from '../../core/keeping/shelf/saved.ts';
import type { HouseStyle } from '../../core/known/styles/style.ts';

/** What the server gives: cards, sites, and what hosts say of items. */
export interface WorldState {
  status: 'loading' | 'ready' | 'failed';
  /** Whether the server answered last. */
  serverAnswers: boolean;
  cards: HostCard[];
  /** Cards of the user's own, which stand before ours of the same id. */
  ownCards: HostCard[];
  /** An imported list of oEmbed providers. */
  providers: Providers;
  sites: Site[];
  /** Sites of the user's own, which stand before ours of the same id. */
  ownSites: Site[];
  /** House styles, by the id of their site. */
  styles: Record<string, HouseStyle>;
  example: string;
  /** By canonical link; an empty record where the host said nothing. */
  facts: Record<string, Facts>;
  /** What the page of a link of no card says of its player, by link. */
  resolved: Record<string, Pick<Resolved, 'found' | 'refused'>>;
  /** What visitors get, by `reachKey`. */
  reached: Record<string, Reached[]>;
}

const demoItems = z.array(z.object({ links: z.array(z.string()).min(1) })).min(1);
const resolvedSchema = z.object({
  facts: factsSchema,
  found: z.object({ by: z.enum(['oembed', 'openGraph', 'jsonLd']), text: z.string().max(20_000) }).nullable(),
  refused: z.string().nullable(),
});
type Resolved = z.infer<typeof resolvedSchema>;
const reachedAnswer = z.object({ reached: z.array(reachedSchema) });

/** What is asked about visitors depends on the address and on the site. */
export const reachKey = (address: string, site: string): string => `${address} ${site}`;

const post = (path: string, body: object): Promise<unknown> =>
  ask(path, { method: 'POST', headers: { 'Content-Type': 'application/json' }, body: JSON.stringify(body) });

async function ask(path: string, init?: RequestInit): Promise<unknown> {
  const answer = await fetch(path, { ...init, signal: AbortSignal.timeout(10_000) });
  if (!answer.ok) throw new Error(`${path} answered ${answer.status}`);
  return answer.json();
}

export const loadWorld = createAsyncThunk('world/load', async () => {
  const [cards, sites, demo] = await Promise.all([ask('/api/hosts'), ask('/api/sites'), ask('/api/demo')]);
  return {
    cards: z.array(cardSchema).parse(cards),
    sites: z.array(siteSchema).min(1).parse(sites),
    example: demoItems.parse(demo)[0]!.links[1] ?? '',
  };
});

interface FactsWanted {
  link: string;
  /** The canonical link, under which the answer is kept. */
  about: string;
  /** Width of the column, in pixels. */
  width: number | undefined;
}

/** Asks, through the server, what the host, or the page itself, says of a link. */
export const loadFacts = createAsyncThunk('world/facts', async ({ link, width }: FactsWanted, { getState }) => {
  const { providers } = (getState() as { world: WorldState }).world;
  const endpoint = endpointFor(link, providers);
  const resolve = async () => resolvedSchema.parse(await post('/api/resolve', { url: link, endpoint, maxwidth: width }));
  for (const pause of PAUSES) {
    const answer = await resolve().catch(tooLate);
    if (answer && answer.refused !== 'tooSlow' && answer.refused !== 'noAnswer') return answer;
    await new Promise((done) => setTimeout(done, pause));
  }
  return resolve();
});

/** Milliseconds after which a host that took too long is asked again. */
const PAUSES = [2000, 6000];

/** Nothing where the time was up; any other trouble is told at once. */
function tooLate(error: unknown): undefined {
  if (!(error instanceof DOMException && error.name === 'TimeoutError')) throw error;
}

/** Asks, through the server, what visitors of a site get at a frame address. */
export const loadReached = createAsyncThunk('world/reach', async ({ url, site }: { url: string; site: string }) =>
  reachedAnswer.parse(await post('/api/reach', { url, site })),
);

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

export const checkServer = createAsyncThunk('world/health', () => ask('/api/health'));

const initialState: WorldState = {
  status: 'loading',
  serverAnswers: true,
  cards: [],
  ownCards: [],
  providers: [],
  sites: [],
  ownSites: [],
  styles: {},
  example: '',
  facts: {},
  resolved: {},
  reached: {},
};

export const worldSlice = createSlice({
  name: 'world',
  initialState,
  reducers: {
    ownCardsRead: (state, { payload }: PayloadAction<HostCard[]>) => {
      state.ownCards = payload;
    },
    ownSitesRead: (state, { payload }: PayloadAction<Site[]>) => {
      state.ownSites = payload;
    },
    stylesRead: (state, { payload }: PayloadAction<HouseStyle[]>) => {
      state.styles = Object.fromEntries(payload.map((style) => [style.site, style]));
    },
    /** What was kept with an embed, until the host is asked. */
    factsKept: (state, { payload: { about, facts } }: PayloadAction<{ about: string; facts: Facts }>) => {
      state.facts[about] ??= facts as WritableDraft<Facts>;
    },
    providersRead: (state, { payload }: PayloadAction<Providers>) => {
      state.providers = payload;
    },
  },
  extraReducers: (build) =>
    build
      .addCase(loadWorld.fulfilled, (state, { payload }) => ({ ...state, ...payload, status: 'ready', serverAnswers: true }))
      .addCase(loadWorld.rejected, (state) => {
        state.status = 'failed';
        state.serverAnswers = false;
      })
      .addCase(loadFacts.fulfilled, (state, { payload, meta }) => {
        const { facts, found, refused } = payload;
        state.facts[meta.arg.about] = facts;
        state.resolved[meta.arg.about] = { found, refused };
        state.serverAnswers = true;
      })
      .addCase(loadFacts.rejected, (state, { error, meta }) => {
        if (error.name === 'TypeError') state.serverAnswers = false;
        else state.resolved[meta.arg.about] ??= { found: null, refused: 'noAnswer' };
      })
      .addCase(loadReached.fulfilled, (state, { payload, meta }) => {
        state.reached[reachKey(meta.arg.url, meta.arg.site)] = payload.reached;
      })
      .addCase(checkServer.fulfilled, (state) => {
        state.serverAnswers = true;
      })
      .addCase(checkServer.rejected, (state) => {
        state.serverAnswers = false;
      }),
});

export const { ownCardsRead, ownSitesRead, stylesRead, factsKept, providersRead } = worldSlice.actions;
