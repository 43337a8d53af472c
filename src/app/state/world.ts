import { createSlice, isAnyOf, type PayloadAction, type WritableDraft } from '@reduxjs/toolkit';
import type { HostCard } from '../../core/known/hosts/card.ts';
import type { Providers } from '../../core/known/hosts/providers.ts';
import type { HouseStyle } from '../../core/known/styles/style.ts';
import type { Facts } from '../../core/model/item.ts';
import type { Site } from '../../core/model/site.ts';
import { server } from './server.ts';

/** What the publisher has of their own, and whether the server is there. */
export interface WorldState {
  /** Whether the server answered last. */
  serverAnswers: boolean;
  /** Cards of the user's own, which stand before ours of the same id. */
  ownCards: HostCard[];
  /** An imported list of oEmbed providers. */
  providers: Providers;
  /** Sites of the user's own, which stand before ours of the same id. */
  ownSites: Site[];
  /** House styles, by the id of their site. */
  styles: Record<string, HouseStyle>;
  /** What was kept with embeds, by canonical link; it holds until the host has been asked. */
  keptFacts: Record<string, Facts>;
}

const initialState: WorldState = {
  serverAnswers: true,
  ownCards: [],
  providers: [],
  ownSites: [],
  styles: {},
  keptFacts: {},
};

const { health, given, said } = server.endpoints;

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
    factsKept: (state, { payload: { about, facts } }: PayloadAction<{ about: string; facts: Facts }>) => {
      state.keptFacts[about] ??= facts as WritableDraft<Facts>;
    },
    providersRead: (state, { payload }: PayloadAction<Providers>) => {
      state.providers = payload;
    },
  },
  extraReducers: (build) =>
    build
      .addMatcher(isAnyOf(health.matchFulfilled, given.matchFulfilled, said.matchFulfilled), (state) => {
        state.serverAnswers = true;
      })
      .addMatcher(isAnyOf(health.matchRejected, given.matchRejected, said.matchRejected), (state, { payload, meta }) => {
        // A question that is answered already is refused as well, and says nothing of the server.
        if (meta.condition) return;
        if (meta.arg.endpointName !== 'said' || payload?.status === 'FETCH_ERROR') state.serverAnswers = false;
      }),
});

export const { ownCardsRead, ownSitesRead, stylesRead, factsKept, providersRead } = worldSlice.actions;
