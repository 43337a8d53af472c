import { lruMemoize } from '@reduxjs/toolkit';
import type { Facts } from '../../core/model/item.ts';
import type { Reached } from '../../core/proof/reach/reached.ts';
import { server, type Given, type Said, type Team } from './server.ts';
import type { State } from './store.ts';

/** What the server has answered so far, as the rest of the application asks for it. */
/** Where the server has no team's folder. */
export const NO_TEAM: Team = { stamp: '', cards: [], sites: [], styles: {} };
const NOTHING_GIVEN: Given = { cards: [], sites: [], example: '', team: NO_TEAM };
const NO_FACTS: Facts = {};
const NO_ANSWER: Said = { facts: NO_FACTS, found: null, refused: 'noAnswer' };

const askedForGiven = server.endpoints.given.select();

export const selectGiven = (state: State): Given => askedForGiven(state).data ?? NOTHING_GIVEN;

export function selectGivenStatus(state: State): 'loading' | 'ready' | 'failed' {
  const { data, isError } = askedForGiven(state);
  return data ? 'ready' : isError ? 'failed' : 'loading';
}

/** Selectors that were made lately: each remembers what it gave. */
const REMEMBERED = { maxSize: 64 };
const askedAbout = lruMemoize(
  (about: string) => server.endpoints.said.select({ about, link: about, width: undefined }),
  REMEMBERED,
);
const askedAt = lruMemoize((url: string, site: string) => server.endpoints.reached.select({ url, site }), REMEMBERED);

/** What the host said of an item, by its canonical link; undefined until it has been asked, or while nobody could ask it. */
export function selectSaid(state: State, about: string): Said | undefined {
  const { data, error } = askedAbout(about)(state);
  if (data) return data;
  return error && !('status' in error && error.status === 'FETCH_ERROR') ? NO_ANSWER : undefined;
}

/** What the host said of an item, or else what was kept with the embed. */
export const factsAbout = (state: State, about: string): Facts =>
  askedAbout(about)(state).data?.facts ?? state.world.keptFacts[about] ?? NO_FACTS;

export const selectReachedAt = (state: State, url: string, site: string): readonly Reached[] | undefined =>
  askedAt(url, site)(state).data?.reached;
