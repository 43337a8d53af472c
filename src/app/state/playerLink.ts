import type { PlayerMessages } from '../../core/known/hosts/card.ts';
import { requestFor } from '../../core/known/hosts/playerReport.ts';
import { selectCard, selectItem } from './selectors.ts';
import type { Store } from './store.ts';

type Post = (message: unknown) => void;
let post: Post | null = null;
let press: ((what: 'play' | 'pause' | 'mute') => void) | null = null;

/** The preview that is open says how its player is reached; null when it closes. */
export function linkPlayer(how: Post | null, pressing: typeof press = null): void {
  post = how;
  press = pressing;
}

/** Asks the player of the preview for something, as its card declares. False where it cannot be asked. */
export function askPlayer(store: Store, what: keyof PlayerMessages['ask'], { act = true, time = 0 } = {}): boolean {
  const state = store.getState();
  if (selectItem(state)?.form === 'file') return pressMedia(what, act);
  const player = selectCard(state)?.player;
  const message = player && requestFor(player, what, time);
  if (message === undefined || !post) return false;
  if (act) post(message);
  return true;
}

/** A media file is played by an element of the preview itself. */
function pressMedia(what: string, act: boolean): boolean {
  if (act && (what === 'play' || what === 'pause' || what === 'mute')) press?.(what);
  return press !== null;
}
