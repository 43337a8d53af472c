import type { PlayerMessages } from '../core/known/hosts/card.ts';
import type { PlayerReport } from '../core/known/hosts/playerReport.ts';
import { showTime } from '../core/model/time.ts';
import type { Did, Listened } from '../core/teach/listen.ts';
import { t } from './t.ts';

/** What somebody is asked to do with a player, and what they press when it is done, or cannot be. */
export const LISTENING: Record<Did, { asked: string; done: string; cannot?: string }> = {
  plays: { asked: t('Press play in the player below, and let it play for a few seconds.'), done: t('It has played') },
  rests: { asked: t('Pause it in the player.'), done: t('It is paused') },
  mutes: { asked: t('Mute it in the player, and let it play again.'), done: t('It is muted'), cannot: t('It cannot be muted') },
  over: {
    asked: t('Jump to shortly before its end in the player, and let it play until it is over.'),
    done: t('It is over'),
    cannot: t('Its end cannot be reached'),
  },
  turns: { asked: t('Turn a few pages in the player below.'), done: t('They are turned') },
};

const EVENTS: Record<PlayerMessages['events'][string], string> = {
  ready: t('that it is there'),
  playing: t('that it plays'),
  paused: t('that it is paused'),
  time: t('where it is'),
  ended: t('that it is over'),
  page: t('which page it shows'),
};
const FIELDS: { readonly [field: string]: string } = {
  time: t('the time'),
  duration: t('the duration'),
  muted: t('whether it is muted'),
  title: t('the title'),
  page: t('the page'),
};

/** How often a player has said something so far. */
export const sayHeard = (count: number): string =>
  t('{count, plural, =0 {It has said nothing yet.} one {It has said something once.} other {It has said something # times.}}', {
    count,
  });

/** What was made of what a player said. */
export function sayListened({ player, heard, passed }: Listened): string[] {
  const lost = passed > 0 ? [t('{passed} more were too large, or too many, to be looked at.', { passed })] : [];
  if (!player && heard === 0) return [t('It said nothing. The player of this host tells nothing of itself.'), ...lost];
  if (!player) return [t('It said something, and nothing could be made of it. Listen again, and let it play longer.'), ...lost];
  const events = Object.entries(player.events).map(([name, event]) => t('“{name}” says {what}', { name, what: EVENTS[event] }));
  const fields = Object.entries(player.fields).map(([field, { at, unit }]) => {
    return unit === 'ms'
      ? t('“{at}” is {what}, in thousandths of a second', { at, what: FIELDS[field] ?? field })
      : t('“{at}” is {what}', { at, what: FIELDS[field] ?? field });
  });
  return [...events, ...fields].map((line) => `${line}.`).concat(lost);
}

const SAYS: Record<PlayerMessages['events'][string], string> = {
  ready: t('It says: is ready'),
  playing: t('It says: plays'),
  paused: t('It says: is paused'),
  time: t('It says: plays'),
  ended: t('It says: is over'),
  page: t('It says: turned a page'),
};

/** What a player last said of itself, in a line. */
export function sayReport({ event, time, muted, page, track, showsControls, showsTitle }: PlayerReport): string {
  return [
    SAYS[event],
    ...(time === undefined ? [] : [t('at {time}', { time: showTime(Math.round(time)) })]),
    ...(muted === undefined ? [] : [muted ? t('muted') : t('with sound')]),
    ...(page === undefined ? [] : [t('page {page}', { page })]),
    ...(track === undefined ? [] : [t('captions {track}', { track })]),
    ...(showsControls === undefined ? [] : [showsControls ? t('with controls') : t('without controls')]),
    ...(showsTitle === undefined ? [] : [showsTitle ? t('with title') : t('without title')]),
  ].join(', ');
}
