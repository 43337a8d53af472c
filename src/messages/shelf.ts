import { CHECKS } from '../core/steps/check/checks/list.ts';
import type { BundleRefusal } from '../core/keeping/bundle/bundle.ts';
import type { Coming } from '../core/keeping/calendar/calendar.ts';
import type { State } from '../core/keeping/shelf/saved.ts';

/** How far an embed has come, as a publisher reads it. */
export const STATE_NAMES: Record<State, string> = {
  draft: 'draft',
  ready: 'ready',
  placed: 'placed',
  look: 'needs a look',
};

/** What needs a look, by the code of its check. */
export function sayFindingCode(code: string): string {
  const check = CHECKS.find(({ id }) => id === code);
  return check ? `failed: ${check.holds.charAt(0).toLowerCase()}${check.holds.slice(1)}` : code;
}

export const sayComing = ({ what, embed }: Coming): string =>
  what === 'out' ? `“${embed.title}” is out` : `The page with “${embed.title}” goes out`;

/** What a cover says of an item that is not out yet. */
export const sayOutOn = (day: string): string =>
  `Out on ${new Intl.DateTimeFormat('en', { day: 'numeric', month: 'long', year: 'numeric' }).format(new Date(`${day}T12:00`))}`;

/** Why a file was not taken as a bundle, and what to do. */
export function sayBundleRefusal(refusal: BundleRefusal): string {
  switch (refusal.code) {
    case 'noZip':
      return 'This file is no zip file, or it is damaged. Choose a bundle that was saved here, or save it anew where it came from.';
    case 'noBundle':
      return 'There is no bundle.json in this zip file. Choose a bundle that was saved here.';
    case 'tooLarge':
      return `Unpacked, this file would take ${Math.round(refusal.bytes / 1e6)} MB, and at most ${Math.round(refusal.most / 1e6)} MB are taken. Save a selection instead of everything.`;
    case 'newer':
      return `This bundle was saved by a newer Refenestra (format ${refusal.version}). Reload this page for the newest one, then bring it in again.`;
    case 'damaged':
      return `The bundle is damaged: ${refusal.name} is not as it was packed. Choose another copy of it.`;
    case 'broken':
      return `The bundle is damaged: at ${refusal.place}, ${refusal.why}. Choose another copy of it.`;
  }
}

/** Why the browser's store gave out, and what is still there. */
export const sayStorageTrouble = (full: boolean): string =>
  full
    ? 'The browser has no room for this. Nothing of it was written, and what was there is still there. Remove some embeds, or take fewer.'
    : 'The browser’s store did not take this. Nothing of it was written, and what was there is still there. Reload the page and try again.';

/** Files of a bundle that are not as they were packed, and what that means. */
export const sayDamaged = (names: readonly string[]): string =>
  `${names.slice(0, 5).join(', ')}${names.length > 5 ? ` and ${names.length - 5} more files` : ''} ${names.length === 1 ? 'is' : 'are'} damaged and left out. What you tick below is whole; look for another copy of the bundle for the rest.`;
