import type { SavedEmbed } from '../../core/keeping/shelf/saved.ts';
import { emptyWork } from '../../core/keeping/shelf/work.ts';
import { findEmbed, latestEmbed } from '../storage/embeds.ts';
import { selectGiven, selectGivenStatus } from './answers.ts';
import { EXAMPLE, opened } from './bench.ts';
import { selectFactsWanted } from './selectors.ts';
import { server } from './server.ts';
import type { Store } from './store.ts';
import { factsKept } from './world.ts';

/** What is saved under the id; without an id, what was changed last. */
export const findWork = async (id: string | undefined): Promise<SavedEmbed | undefined> =>
  id === undefined ? latestEmbed() : findEmbed(id);

/** Puts it onto the Bench, or else the example, and gives the id of what is there now. */
export function openWork(store: Store, saved: SavedEmbed | undefined): string {
  const work = saved?.work ?? { ...emptyWork('', EXAMPLE), text: selectGiven(store.getState()).example };
  if (saved?.facts.title && saved.item) store.dispatch(factsKept({ about: saved.item, facts: saved.facts }));
  store.dispatch(opened(work, saved?.revision));
  return work.id;
}

/** Asks the host, or the page, what it says of the item, unless that is known. */
export async function askFacts(store: Store): Promise<void> {
  const wanted = selectFactsWanted(store.getState());
  if (wanted) await store.dispatch(server.endpoints.said.initiate(wanted, { subscribe: false }));
}

const BENCH = /^\/(?:bench\/([^/]+))?$/;

/**
 * Opens what the address asks the Bench for before any of it is drawn, with what the host says of it: it would be drawn empty,
 * then without that, and then once more. What is not found, what is handed over, and what comes when it is drawn already
 * (`drawn`) is left to the Bench.
 */
export async function openAtStart(store: Store, given: PromiseLike<unknown>, drawn: AbortSignal): Promise<void> {
  const path = BENCH.exec(location.pathname);
  if (!path || location.search !== '') return;
  const [saved] = await Promise.all([findWork(path[1]), given]);
  if (drawn.aborted || (path[1] !== undefined && !saved) || selectGivenStatus(store.getState()) !== 'ready') return;
  history.replaceState(history.state, '', `/bench/${openWork(store, saved)}${location.hash}`);
  await askFacts(store);
}
