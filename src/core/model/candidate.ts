import type { Attribute, Range } from './place.ts';
import type { Running } from './running.ts';

export type { Attribute, Range };

export const SOURCES = ['link', 'iframe', 'object', 'script', 'media', 'shortcode', 'markdown'] as const;
export type Source = (typeof SOURCES)[number];

/** Something that reading put right, with what stood there and what it was taken for. */
export interface Repair {
  code:
    | 'schemeAdded'
    | 'schemeRelative'
    | 'entityTwice'
    | 'spaceTrimmed'
    | 'tagUnclosed'
    | 'curlyQuotes'
    | 'escapedCode'
    | 'quoteMissing'
    | 'quoteDoubled'
    | 'questionTwice'
    | 'questionMissing'
    | 'fragmentFirst'
    | 'oldCode'
    | 'jsx'
    | 'invisible'
    | 'escapedString'
    | 'joinedStrings'
    | 'spacesBetween'
    | 'waiting';
  was: string;
  now: string;
}

/** An attribute with its places: of the whole, and of its value; both in the text that was brought in. */
export interface PlacedAttribute extends Attribute {
  whole: Range;
  range: Range | null;
}

/** Why something that was found cannot be used, as data; the sentence is in the message file. */
export type Refusal =
  | { code: 'emptyText' }
  | { code: 'tooLong'; most: number }
  | { code: 'nothingFound' }
  | { code: 'unsafeScheme'; scheme: string }
  | { code: 'notAnAddress'; text: string }
  | { code: 'sourceMissing' }
  /** A file that browsers do not show by themselves. */
  | { code: 'noPlayerFile'; what: 'stream' | 'subtitles' | 'book' | 'office'; name: string }
  | { code: 'scriptUnknown'; address: string }
  | { code: 'shortcodeUnknown'; name: string }
  | { code: 'brokenIdentifier'; host: string; found: string; shape: string; example: string }
  | { code: 'sampleIdentifier'; host: string; found: string; example: string }
  | { code: 'linkUnknown'; host: string; example: string }
  | { code: 'notForVisitors'; host: string; form: string; why: string; remedy: string; instead: string };

/** One thing in the text that may be an embed: a link, or a piece of embed code. */
export interface Candidate {
  range: Range;
  source: Source;
  /** The address with repairs made; null where there is none. */
  address: string | null;
  /** Where the address stands in the text. */
  addressRange: Range | null;
  /** Of the element that holds the address, all but the address itself, in order; of a script, those of its placeholder. */
  attributes: readonly PlacedAttribute[];
  /** The attribute that holds the address. */
  holder?: PlacedAttribute;
  /** What that element is called, likewise of the short code. */
  element?: string;
  /** The start tag of that element. */
  tag?: Range;
  /** A wrapper whose padding holds the ratio: `16:9`, where the padding stands, and the style of what is around it. */
  wrapper?: { ratio: string; padding: Range; frame: Range; outer?: string };
  /** The other reading of a link whose end is in doubt. */
  doubt?: { range: Range; text: string };
  repairs: readonly Repair[];
  /** What runs in the code that was brought in: within the candidate, and around it where the text is no whole page. */
  running?: readonly Running[];
  refusal?: Refusal;
}
