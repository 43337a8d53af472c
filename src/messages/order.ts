import type { Entry } from '../core/order/order.ts';
import type { PlayNote } from '../core/order/plays.ts';
import type { Order } from '../core/order/order.ts';

const NOTES: Record<PlayNote, string> = {
  endUntold: 'Its host does not tell when it is over, so visitors press Next after it.',
  pressAgain: 'Its host begins only when its own player is pressed, so visitors press once more there.',
  startIgnored: 'Its host cannot begin later, so it plays from its own beginning.',
  clipOverruns: 'Its host can neither stop it nor tell the time, so it plays beyond the end of the clip.',
  notPlayable: 'It cannot be played within a page. It stands there as a link.',
};

/** What an entry cannot do, in a sentence. */
export const sayPlayNote = (note: PlayNote): string => NOTES[note];

export const LAYOUT_WORDS: Record<Order['layout'], string> = {
  beside: 'List beside the player',
  below: 'List below the player',
  strip: 'List as a strip',
  one: 'One entry alone',
};

export const LOOP_WORDS: Record<Order['loop'], string> = {
  none: 'Ends after the last',
  one: 'Repeats the entry',
  all: 'Begins again after the last',
};

/** What was found in a feed or a file. */
export const sayFound = (count: number, left: number): string =>
  `${count === 1 ? '1 entry' : `${count} entries`}${left === 0 ? '.' : `; ${left} left out, which ${left === 1 ? 'has' : 'have'} no address.`}`;

export const sayNews = (added: readonly Entry[]): string =>
  added.length === 0 ? 'Nothing is new.' : `New: ${added.map(({ title, address }) => title || address).join('; ')}.`;
