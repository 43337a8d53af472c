import { createAsyncThunk, createSlice } from '@reduxjs/toolkit';
import { z } from 'zod';
import { cardSchema, type HostCard } from '../../core/hosts/card.ts';
import type { Facts } from '../../core/model/item.ts';
import { siteSchema, type Site } from '../../core/model/site.ts';

/** What the server gives: cards, sites, and what hosts say of items. */
export interface WorldState {
  status: 'loading' | 'ready' | 'failed';
  /** Whether the server answered last. */
  serverAnswers: boolean;
  cards: HostCard[];
  sites: Site[];
  example: string;
  /** By canonical link; an empty record where the host said nothing. */
  facts: Record<string, Facts>;
}

const demoItems = z.array(z.object({ links: z.array(z.string()).min(1) })).min(1);
const factsAnswer = z.object({
  facts: z.object({
    title: z.string().optional(),
    author: z.string().optional(),
    duration: z.number().optional(),
    pages: z.number().optional(),
    ratio: z.string().optional(),
    cover: z.string().optional(),
  }),
});

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

/** Asks, through the server, what the host says of a link. */
export const loadFacts = createAsyncThunk('world/facts', async (link: string) => {
  const body = JSON.stringify({ url: link });
  return factsAnswer.parse(await ask('/api/resolve', { method: 'POST', headers: { 'Content-Type': 'application/json' }, body }))
    .facts;
});

export const checkServer = createAsyncThunk('world/health', () => ask('/api/health'));

const initialState: WorldState = { status: 'loading', serverAnswers: true, cards: [], sites: [], example: '', facts: {} };

export const worldSlice = createSlice({
  name: 'world',
  initialState,
  reducers: {},
  extraReducers: (build) =>
    build
      .addCase(loadWorld.fulfilled, (state, { payload }) => ({ ...state, ...payload, status: 'ready', serverAnswers: true }))
      .addCase(loadWorld.rejected, (state) => {
        state.status = 'failed';
        state.serverAnswers = false;
      })
      .addCase(loadFacts.fulfilled, (state, { payload, meta }) => {
        state.facts[meta.arg] = payload;
        state.serverAnswers = true;
      })
      .addCase(loadFacts.rejected, (state, { error }) => {
        if (error.name === 'TypeError') state.serverAnswers = false;
      })
      .addCase(checkServer.fulfilled, (state) => {
        state.serverAnswers = true;
      })
      .addCase(checkServer.rejected, (state) => {
        state.serverAnswers = false;
      }),
});
