import type { Refusal, Repair } from '../core/model/candidate.ts';
import type { Item } from '../core/model/item.ts';
import type { Difference } from '../core/live/compare.ts';
import type { Meaning } from '../core/steps/recognise/anatomy.ts';
import { KIND_WORDS } from './kinds.ts';
import { labelOf } from './labels.ts';
import type { Of, Sentences } from './sentences.ts';
import { saySetting } from './settings.ts';
import { t, within } from './t.ts';

const REFUSALS: Sentences<Refusal> = {
  emptyText: () => t('Nothing is pasted yet. Paste a share link, or the embed code that a host gave you.'),
  tooLong: ({ most }) =>
    t('The text is longer than {most} million characters. Paste only the part with the link or the embed code.', {
      most: most / 1_000_000,
    }),
  nothingFound: () =>
    t(
      'There is neither a link nor embed code in this text. A share link begins with https:// and stands behind “Share” on the page of the host.',
    ),
  unsafeScheme: ({ scheme }) =>
    t(
      'An address that begins with {scheme}: could run code or show a file of yours, and is never put into a page. Paste the share link, which begins with https://.',
      { scheme },
    ),
  notAnAddress: ({ text }) =>
    t('“{text}” is not a web address. Copy the whole link once more, from https:// to its end.', { text }),
  sourceMissing: () =>
    t('This iframe has no address in src, so there is nothing to show. Copy the embed code once more, or paste the share link.'),
  noPlayerFile: ({ what, name }) => t('“{name}” is {why}', { name, why: NO_PLAYER[what] }),
  scriptUnknown: ({ address }) =>
    t(
      'This code loads a script from {address}, of which no host card knows, and scripts of strangers are never run. Paste the share link of the item, or an iframe code; or add a card for that host in the Host book.',
      { address },
    ),
  shortcodeUnknown: ({ name }) =>
    t(
      'No host card knows a short code [{name} …]. Paste the share link of the item instead, or add the short code to the card of its host.',
      { name },
    ),
  sampleIdentifier: ({ host, found, example }) =>
    t(
      '“{found}” is the sample from the instructions of {host}, not a real name. Put your own in its place; it looks like {example}.',
      { found, host, example },
    ),
  brokenIdentifier: ({ host, found, shape, example }) =>
    t('“{found}” is not complete: on {host} this part is {shape}, such as {example}. Copy the link once more.', {
      found,
      host,
      shape,
      example,
    }),
  linkUnknown: ({ host, example }) =>
    t('This page of {host} cannot be embedded. Open the item itself and copy its share link; it looks like {example}.', {
      host,
      example,
    }),
  notForVisitors: ({ host, form, why, remedy }) =>
    t('This is the {form} of {host}: {why}. What to do: {remedy}.', { form, host, why, remedy }),
};

const NO_PLAYER: Record<Of<Refusal, 'noPlayerFile'>['what'], string> = {
  stream: t(
    'the list of a stream’s parts, not a film: browsers need a player for it. Paste the share link, or the embed code, of the page that plays the stream.',
  ),
  subtitles: t('a file of captions: it belongs to a video and shows nothing by itself. Paste the link of the video.'),
  book: t('an e-book, which browsers cannot show. Give it as a link to download, or paste the link of a page that shows it.'),
  office: t(
    'an office document, which browsers download instead of showing it. Save it as PDF and paste the link of that, or paste the link of a page that shows it.',
  ),
};

const REPAIRS: Record<Repair['code'], string> = {
  schemeAdded: t('the beginning of the address was missing and was added'),
  schemeRelative: t('an address that began with // was completed'),
  entityTwice: t('&amp; was written twice over and is & again'),
  spaceTrimmed: t('spaces or line breaks in the address were taken out'),
  tagUnclosed: t('the code was cut off before its end'),
  curlyQuotes: t('curly quotes of a word processor are straight again'),
  escapedCode: t('the code had arrived as text, with &lt; for <, and is code again'),
  quoteMissing: t('a missing quotation mark was put in'),
  quoteDoubled: t('quotation marks stood twice and stand once'),
  questionTwice: t('a second ? stands in the address, where & was meant'),
  questionMissing: t('the first parameter began with &, where ? was meant'),
  fragmentFirst: t('the part from # stood before the parameters and was put behind them'),
  oldCode: t('object code of the old kind became an iframe'),
  jsx: t('code of a script component was read as HTML'),
  invisible: t('signs that nobody sees were taken out of the address'),
  escapedString: t('the code had arrived as a string of a program, with \\" for ", and is code again'),
  joinedStrings: t('strings of a program were joined to one code'),
  spacesBetween: t('spaces of a word processor between attributes are plain spaces again'),
  waiting: t('the address of a frame that waits for a script, or for consent, was taken for its own'),
};

export const sayRefusal = (refusal: Refusal): string => REFUSALS[refusal.code](refusal as never);
export const sayRepair = (repair: Repair): string => REPAIRS[repair.code];

export const sayOrigin = ({ kind, host }: Item): string =>
  host
    ? t('This says which item it is: {kind}.', { kind: KIND_WORDS[kind] })
    : t('This says which item it is: {kind} of a host that is not known yet.', { kind: KIND_WORDS[kind] });

const DROPPED: Record<Extract<Meaning, { role: 'dropped' }>['why'], string> = {
  tracking: t('dropped: tracking'),
  duplicate: t('dropped: said twice'),
  runs: t('runs code: left out'),
};

/** What a part of a pasted text means. */
export function sayMeaning(meaning: Meaning): string {
  switch (meaning.role) {
    case 'host':
      return meaning.name ?? t('a host that is not known yet');
    case 'form':
      return meaning.name;
    case 'identity':
      return meaning.name ?? t('holds the whole link');
    case 'setting':
      return saySetting(meaning.setting, meaning.value);
    case 'permission':
      return t('may use: {features}', { features: meaning.features.map((feature) => feature.split(' ')[0]).join(', ') });
    case 'usual':
      return t('always so');
    case 'unknown':
      return t('unknown, kept');
    case 'dropped':
      return DROPPED[meaning.why];
    case 'broken':
      return t('cannot be used');
  }
}

/** A difference between two codes, in words. */
export function sayDifference({ what, name, before, after, setting }: Difference): string {
  if (setting) {
    const label = within(labelOf(setting.id));
    return `${label}: ${saySetting(setting.id, setting.before)} → ${saySetting(setting.id, setting.after)}`;
  }
  if (what === 'address') return t('the frame is loaded from another address');
  const thing = what === 'parameter' ? t('the parameter {name}', { name }) : t('the attribute {name}', { name });
  if (before === null) return t('{thing} is new', { thing });
  return after === null ? t('{thing} is gone', { thing }) : t('{thing} has another value', { thing });
}
