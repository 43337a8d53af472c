import { CHECKS } from '../core/steps/check/checks/list.ts';
import type { BundleRefusal } from '../core/keeping/bundle/bundle.ts';
import type { Coming } from '../core/keeping/calendar/calendar.ts';
import type { State } from '../core/keeping/shelf/saved.ts';
import type { Names, Narrowing } from '../core/keeping/shelf/search.ts';
import { KIND_NAMES } from './kinds.ts';
import { dateFormat, showDay, t, within } from './t.ts';
import { sayProblem } from './problems.ts';

/** How far an embed has come, as a publisher reads it. */
export const STATE_NAMES: Record<State, string> = {
  draft: t('draft'),
  ready: t('ready'),
  placed: t('placed'),
  look: t('needs a look'),
};

const sayDay = (day: string): string => showDay(new Date(`${day}T12:00`));

/** By what the Shelf is narrowed, shortly: `“tide” · video · from 23 Nov 2026`. */
export const sayNarrowing = ({ text, kind, host, site, state, item, from, to }: Narrowing, names: Names): string =>
  [
    text && t('“{text}”', { text }),
    kind && (KIND_NAMES[kind] ?? kind),
    host && names.host(host),
    site && names.site(site),
    state && STATE_NAMES[state],
    item && item.replace(/^https?:\/\//, ''),
    from && t('from {day}', { day: sayDay(from) }),
    to && t('to {day}', { day: sayDay(to) }),
  ]
    .filter(Boolean)
    .join(' · ');

/** What needs a look, by the code of its check. */
export function sayFindingCode(code: string): string {
  const check = CHECKS.find(({ id }) => id === code);
  return check ? t('failed: {holds}', { holds: within(t(check.holds)) }) : code;
}

export const sayComing = ({ what, embed }: Coming): string =>
  what === 'out' ? t('“{title}” is out', { title: embed.title }) : t('The page with “{title}” goes out', { title: embed.title });

/** What a cover says of an item that is not out yet. */
export const sayOutOn = (day: string): string =>
  t('Out on {date}', {
    date: dateFormat({ day: 'numeric', month: 'long', year: 'numeric' }).format(new Date(`${day}T12:00`)),
  });

/** Why a file was not taken as a bundle, and what to do. */
export function sayBundleRefusal(refusal: BundleRefusal): string {
  switch (refusal.code) {
    case 'noZip':
      return t(
        'This file is no zip file, or it is damaged. Choose a backup that was saved here, or save it anew where it came from.',
      );
    case 'noBundle':
      return t('There is no bundle.json in this zip file. Choose a backup that was saved here.');
    case 'tooLarge':
      return t(
        'Unpacked, this file would take {bytes} MB, and at most {most} MB are taken. Save a selection instead of everything.',
        { bytes: Math.round(refusal.bytes / 1e6), most: Math.round(refusal.most / 1e6) },
      );
    case 'newer':
      return t(
        'This backup was saved by a newer Refenestra (format {version}). Reload this page for the newest one, then bring it in again.',
        { version: refusal.version },
      );
    case 'damaged':
      return t('The backup is damaged: {name} is not as it was packed. Choose another copy of it.', { name: refusal.name });
    case 'broken':
      return t('The backup is damaged: at {place}, {why}. Choose another copy of it.', {
        place: refusal.place,
        why: sayProblem(refusal.why),
      });
  }
}

/** Why the browser's store gave out, and what is still there. */
export const sayStorageTrouble = (full: boolean): string =>
  full
    ? t(
        'The browser has no room for this. Nothing of it was written, and what was there is still there. Remove some embeds, or take fewer.',
      )
    : t(
        'The browser’s store did not take this. Nothing of it was written, and what was there is still there. Reload the page and try again.',
      );

/** Files of a bundle that are not as they were packed, and what that means. */
export const sayDamaged = (names: readonly string[]): string =>
  t(
    '{all, plural, one {{names} is damaged and left out.} other {{names} are damaged and left out.}} What you tick below is whole; look for another copy of the backup for the rest.',
    {
      all: names.length,
      names:
        names.length > 5
          ? t('{names} and {more} more files', { names: names.slice(0, 5).join(', '), more: names.length - 5 })
          : names.join(', '),
    },
  );
