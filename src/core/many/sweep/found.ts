import type { Range } from '../../model/place.ts';
import type { Finding } from '../../steps/check/finding.ts';
import type { Kind } from '../../model/kind.ts';
import type { Refusal, Source } from '../../model/candidate.ts';

/** An embed where it stands. Ranges are in UTF-16 code units of the file as it was decoded. */
export interface SweptEmbed {
  file: string;
  /** The line on which it begins, from 1. */
  line: number;
  range: Range;
  source: Source;
  kind: Kind;
  host: string | null;
  /** The share link, tidy: the same for all places of an item. */
  item: string;
  /** The address that its frame shows, without settings; null where it needs none. */
  frame: string | null;
  title: string;
  /** Whether anything is loaded from its host before a visitor asked for it. */
  loads: boolean;
  findings: readonly Finding[];
  /** What the rules make of it; null where they change nothing. */
  change: Change | null;
}

/** A change of one embed: what of the file goes and what comes, both as they are written there, and what comes of it. */
export interface Change {
  range: Range;
  before: string;
  after: string;
  /** Codes of findings that end, and of those that a rule was to end and that stay. */
  ends: readonly string[];
  stays: readonly string[];
  /** Whether it loads from its host afterwards, before a visitor asked for it. */
  loads: boolean;
}

/** A link that stands alone and could be an embed; it is offered, never changed. */
export interface SweptLink {
  file: string;
  line: number;
  host: string;
  item: string;
}

/** What is not touched, and why. */
export interface Left {
  file: string;
  line: number;
  why: LeftWhy;
}
export type LeftWhy =
  | { code: 'notRead'; refusal: Refusal }
  | { code: 'inScript' }
  | { code: 'inTemplate' }
  | { code: 'notPlain' }
  | { code: 'cannotStand' }
  | { code: 'notTheSame' }
  | { code: 'encoding'; encoding: string }
  | { code: 'tooLong' };

/** What one file holds. */
export interface SweptFile {
  file: string;
  title: string;
  language: string;
  embeds: readonly SweptEmbed[];
  links: readonly SweptLink[];
  left: readonly Left[];
}
