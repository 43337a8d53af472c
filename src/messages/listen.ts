import type { PlayerMessages } from '../core/known/hosts/card.ts';
import type { PlayerReport } from '../core/known/hosts/playerReport.ts';
import { showTime } from '../core/model/time.ts';
import { EVENT_WORDS } from './cardEditor.ts';
import type { Did, Listened } from '../core/teach/listen.ts';

/** What somebody is asked to do with a player, and what they press when it is done, or cannot be. */
export const LISTENING: Record<Did, { asked: string; done: string; cannot?: string }> = {
  plays: { asked: 'Press play in the player below, and let it play for a few seconds.', done: 'It has played' },
  rests: { asked: 'Pause it in the player.', done: 'It is paused' },
  mutes: { asked: 'Mute it in the player, and let it play again.', done: 'It is muted', cannot: 'It cannot be muted' },
  over: {
    asked: 'Jump to shortly before its end in the player, and let it play until it is over.',
    done: 'It is over',
    cannot: 'Its end cannot be reached',
  },
  turns: { asked: 'Turn a few pages in the player below.', done: 'They are turned' },
};

const EVENTS: Record<PlayerMessages['events'][string], string> = {
  ready: 'that it is there',
  playing: 'that it plays',
  paused: 'that it is paused',
  time: 'where it is',
  ended: 'that it is over',
  page: 'which page it shows',
};
const FIELDS: { readonly [field: string]: string } = {
  time: 'the time',
  duration: 'the duration',
  muted: 'whether it is muted',
  title: 'the title',
  page: 'the page',
};

/** How often a player has said something so far. */
export const sayHeard = (count: number): string =>
  count === 0 ? 'It has said nothing yet.' : `It has said something ${count === 1 ? 'once' : `${count} times`}.`;

/** What was made of what a player said. */
export function sayListened({ player, heard, passed }: Listened): string[] {
  const lost = passed > 0 ? [`${passed} more were too large, or too many, to be looked at.`] : [];
  if (!player && heard === 0) return ['It said nothing. The player of this host tells nothing of itself.', ...lost];
  if (!player) return [`It said something, and nothing could be made of it. Listen again, and let it play longer.`, ...lost];
  const events = Object.entries(player.events).map(([name, event]) => `“${name}” says ${EVENTS[event]}`);
  const fields = Object.entries(player.fields).map(([field, { at, unit }]) => {
    return `“${at}” is ${FIELDS[field] ?? field}${unit === 'ms' ? ', in thousandths of a second' : ''}`;
  });
  return [...events, ...fields].map((line) => `${line}.`).concat(lost);
}

/** What a player last said of itself, in a line. */
export function sayReport({ event, time, muted, page, track, showsControls, showsTitle }: PlayerReport): string {
  const shown = (what: string, on: boolean | undefined): string[] =>
    on === undefined ? [] : [`${on ? 'with' : 'without'} ${what}`];
  return [
    `It says: ${event === 'time' ? 'plays' : EVENT_WORDS[event]}`,
    ...(time === undefined ? [] : [`at ${showTime(Math.round(time))}`]),
    ...(muted === undefined ? [] : [muted ? 'muted' : 'with sound']),
    ...(page === undefined ? [] : [`page ${page}`]),
    ...(track === undefined ? [] : [`captions ${track}`]),
    ...shown('controls', showsControls),
    ...shown('title', showsTitle),
  ].join(', ');
}
