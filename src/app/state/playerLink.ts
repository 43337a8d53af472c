import type { PlayerMessages } from '../../core/known/hosts/card.ts';
import { requestFor } from '../../core/known/hosts/playerReport.ts';
import { selectCard, selectItem } from './selectors.ts';
import type { Store } from './store.ts';

/** How the player of the open preview is reached. */
export interface PlayerLink {
  /** Gives a message to the player of a host. */
  post: (message: unknown) => void;
  /** Presses on a media element of our own. */
  press: (what: 'play' | 'pause' | 'mute') => void;
}

/** By the application that the preview stands in: a message is no state that could be kept. */
const links = new WeakMap<Store, PlayerLink>();

/** The preview that is open says how its player is reached; null when it closes. */
export function linkPlayer(store: Store, link: PlayerLink | null): void {
  if (link) links.set(store, link);
  else links.delete(store);
}

/** Asks the player of the preview for something, as its card declares. False where it cannot be asked. */
export function askPlayer(store: Store, what: keyof PlayerMessages['ask'], { act = true, time = 0 } = {}): boolean {
  const state = store.getState();
  if (selectItem(state)?.form === 'file') return pressMedia(links.get(store), what, act);
  const player = selectCard(state)?.player;
  const message = player && requestFor(player, what, time);
  const link = links.get(store);
  if (message === undefined || !link) return false;
  if (act) link.post(message);
  return true;
}

/** A media file is played by an element of the preview itself. */
function pressMedia(link: PlayerLink | undefined, what: string, act: boolean): boolean {
  if (act && (what === 'play' || what === 'pause' || what === 'mute')) link?.press(what);
  return link !== undefined;
}
