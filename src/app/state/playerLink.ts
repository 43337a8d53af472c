import type { PlayerMessages } from '../../core/hosts/card.ts';
import { requestFor } from '../../core/hosts/playerReport.ts';
import { selectCard } from './selectors.ts';
import type { Store } from './store.ts';

type Post = (message: unknown) => void;
let post: Post | null = null;

/** The preview that is open says how its player is reached; null when it closes. */
export function linkPlayer(how: Post | null): void {
  post = how;
}

/** Asks the player of the preview for something, as its card declares. False where it cannot be asked. */
export function askPlayer(store: Store, what: keyof PlayerMessages['ask'], { act = true, time = 0 } = {}): boolean {
  const player = selectCard(store.getState())?.player;
  const message = player && requestFor(player, what, time);
  if (message === undefined || !post) return false;
  if (act) post(message);
  return true;
}
