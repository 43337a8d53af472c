import type { CardProblem } from '../core/known/hosts/loadCards.ts';
import type { CardChange, CardRefusal, LibraryRefusal, LibraryStep } from '../core/known/hosts/library.ts';
import { isSettingId } from '../core/known/settings/list.ts';
import { WHY_NOT } from './reached.ts';
import { sayProblem } from './problems.ts';
import { t } from './t.ts';
import { labelOf } from './labels.ts';

const reason = (why: string): string =>
  why === 'noServer'
    ? t('Refenestra’s server does not answer')
    : why === 'otherOrigin'
      ? t('it lies at another address than the list')
      : (WHY_NOT[why] ?? WHY_NOT.noAnswer!);

export function sayLibraryRefusal(refusal: LibraryRefusal | { code: 'notThere'; why: string }): string {
  switch (refusal.code) {
    case 'notThere':
      return t('The list could not be fetched: {why}.', { why: reason(refusal.why) });
    case 'noJson':
      return t('What is at this address is no card library: it is not JSON.');
    case 'newer':
      return t('This card library is of a newer Refenestra. Nothing was imported from it.');
    case 'broken':
      return t('What is at this address is no card library: at {place}, {why}.', {
        place: refusal.place || t('its top'),
        why: sayProblem(refusal.why),
      });
  }
}

export function sayCardRefusal(refusal: CardRefusal): string {
  switch (refusal.code) {
    case 'notThere':
      return t('The card could not be fetched: {why}.', { why: reason(refusal.why) });
    case 'changed':
      return t('The card is not the one that the list names: its checksum is another. Look again later.');
    case 'otherId':
      return t('The card has another id than the list says.');
    case 'broken':
      return t('It is not right at {place}: {why}.', { place: refusal.place || t('its top'), why: sayProblem(refusal.why) });
  }
}

export const STEP_WORDS: Record<LibraryStep['what'], string> = {
  refused: t('cannot be imported'),
  new: t('new here'),
  same: t('the same as here'),
  newer: t('brought up to date'),
  older: t('older than the one here'),
  mine: t('yours is another: it was made or changed by hand'),
};

const WHAT: Record<CardChange['what'], string> = { added: t('new'), removed: t('gone'), changed: t('another') };
const PARTS: Readonly<Record<string, string>> = {
  origins: t('addresses'),
  identifiers: t('identifier'),
  targets: t('target'),
  packs: t('pack'),
  links: t('link form'),
  name: t('name'),
  tracking: t('parameters that are left out'),
  oembed: 'oEmbed',
  search: t('where it is searched'),
  player: t('how its player reports'),
};

/** What would be another in a card, in a few words. */
export function sayCardChange({ at, what }: CardChange): string {
  const [, part = '', name] = at.split('/');
  const called =
    part === 'settings' && name && isSettingId(name) ? labelOf(name) : `${PARTS[part] ?? part}${name ? ` “${name}”` : ''}`;
  return `${called}: ${WHAT[what]}`;
}

/** A host card that is not taken. */
export const sayCardProblem = ({ file, place, message }: CardProblem): string =>
  place
    ? t('{file}, at {place}: {message}. The card is left out until this is put right.', {
        file,
        place,
        message: sayProblem(message),
      })
    : t('{file}: {message}. The card is left out until this is put right.', { file, message: sayProblem(message) });
