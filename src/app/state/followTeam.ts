import { selectGiven, selectGivenStatus } from './answers.ts';
import { ONCE, server } from './server.ts';
import type { Store } from './store.ts';

/** Milliseconds between two questions for what the team has changed. */
const POLL = 20_000;

/** Where the server keeps a team's folder, what changes in it comes to every window that is looked at. */
export function followTeam(store: Store): void {
  const ask = async (): Promise<void> => {
    const state = store.getState();
    const { stamp } = selectGiven(state).team;
    if (document.hidden || stamp === '' || selectGivenStatus(state) !== 'ready') return;
    const { data } = await store.dispatch(server.endpoints.team.initiate(undefined, ONCE));
    if (data && data.stamp !== stamp) await store.dispatch(server.endpoints.given.initiate(undefined, ONCE));
  };
  setInterval(() => void ask(), POLL);
  document.addEventListener('visibilitychange', () => void ask());
}
