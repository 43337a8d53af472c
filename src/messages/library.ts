import type { CardChange, CardRefusal, LibraryRefusal, LibraryStep } from '../core/known/hosts/library.ts';
import { isSettingId, settingOf } from '../core/known/settings/list.ts';
import { WHY_NOT } from './en.ts';

const reason = (why: string): string =>
  why === 'noServer'
    ? 'Refenestra’s server does not answer'
    : why === 'otherOrigin'
      ? 'it lies at another address than the list'
      : (WHY_NOT[why] ?? WHY_NOT.noAnswer!);

export function sayLibraryRefusal(refusal: LibraryRefusal | { code: 'notThere'; why: string }): string {
  switch (refusal.code) {
    case 'notThere':
      return `The list could not be fetched: ${reason(refusal.why)}.`;
    case 'noJson':
      return 'What is at this address is no card library: it is not JSON.';
    case 'newer':
      return 'This card library is of a newer Refenestra. Nothing was taken from it.';
    case 'broken':
      return `What is at this address is no card library: at ${refusal.place || 'its top'}, ${refusal.why}.`;
  }
}

export function sayCardRefusal(refusal: CardRefusal): string {
  switch (refusal.code) {
    case 'notThere':
      return `The card could not be fetched: ${reason(refusal.why)}.`;
    case 'changed':
      return 'The card is not the one that the list names: its checksum is another. Look again later.';
    case 'otherId':
      return 'The card has another id than the list says.';
    case 'broken':
      return `It is not right at ${refusal.place || 'its top'}: ${refusal.why}.`;
  }
}

export const STEP_WORDS: Record<LibraryStep['what'], string> = {
  refused: 'cannot be taken',
  new: 'new here',
  same: 'the same as here',
  newer: 'brought up to date',
  older: 'older than the one here',
  mine: 'yours is another: it was made or changed by hand',
};

const WHAT: Record<CardChange['what'], string> = { added: 'new', removed: 'gone', changed: 'another' };
const PARTS: Readonly<Record<string, string>> = {
  origins: 'addresses',
  identifiers: 'identifier',
  targets: 'target',
  packs: 'pack',
  links: 'link form',
  name: 'name',
  tracking: 'parameters that are left out',
  oembed: 'oEmbed',
  search: 'where it is searched',
  player: 'how its player reports',
};

/** What would be another in a card, in a few words. */
export function sayCardChange({ at, what }: CardChange): string {
  const [, part = '', name] = at.split('/');
  const called =
    part === 'settings' && name && isSettingId(name)
      ? settingOf(name).label
      : `${PARTS[part] ?? part}${name ? ` “${name}”` : ''}`;
  return `${called}: ${WHAT[what]}`;
}
