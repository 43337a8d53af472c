import type { Settings } from '../known/settings/list.ts';
import type { Attribute } from './candidate.ts';
import type { Kind, Scope } from './kind.ts';
import type { Running } from './running.ts';

/** A parameter of an address: decoded, and as it was written. */
export interface Parameter {
  in: 'query' | 'fragment';
  name: string;
  value: string;
  raw: string;
  /** The pack of the card that it stands in; then `in` is that of the pack, and `raw` the value alone. */
  within?: string;
}

/** A parameter that was left out, and why. */
export interface Dropped extends Parameter {
  why: 'tracking' | 'duplicate';
}

/** What of pasted code is not ours to interpret, and goes back unchanged. */
export interface Kept {
  attributes: readonly Attribute[];
  /** Declarations of `style` that are not ours. */
  style: readonly string[];
}

/** What an address or a code turned out to be. Plain data. */
export interface Item {
  /** Id of the host card; null for an address of which no card knows. */
  host: string | null;
  kind: Kind;
  scope: Scope;
  id: string | null;
  /** Id of the card's link form; `address` where there is no card. */
  form: string;
  /** Id of the card's target: how the item is addressed, framed and sized. */
  target: string | null;
  /** What the link form captured, by name. */
  captures: Readonly<Record<string, string>>;
  /** The share link, tidy. */
  canonical: string;
  /** The frame address without any setting; null where the host has script code only. */
  frame: string | null;
  /** `16:9`, where the host or the link form tells it. */
  ratio: string | null;
  /** What the link or the code already asks for. */
  settings: Settings;
  unknown: readonly Parameter[];
  dropped: readonly Dropped[];
  kept: Kept;
  /** What runs in the code that it was read from, but for the scripts of hosts that cards know. */
  running?: readonly Running[];
  /** A plain link of a host that no card knows: the page itself would be framed. */
  plain?: true;
  /** Of a plain link: the name of its host, where a card says that the page must be asked for the player. */
  asks?: string;
  /** Names of other cards that claim this link just as well. */
  rivals?: readonly string[];
}

/** Under what is kept what the host says of it: its share link; of a page that no card knows, with all of its parameters. */
export function aboutOf({ host, form, canonical, unknown }: Item): string {
  if (host !== null || form !== 'address') return canonical;
  const query = unknown.flatMap((parameter) => (parameter.in === 'query' ? [parameter.raw] : []));
  return query.length > 0 ? `${canonical}?${query.join('&')}` : canonical;
}

/** What the host says of an item when asked; every field may be missing. */
export interface Facts {
  title?: string;
  author?: string;
  description?: string;
  /** Seconds. */
  duration?: number;
  pages?: number;
  ratio?: string;
  cover?: string;
  /** Chapters: seconds and words. */
  chapters?: readonly { at: number; title: string }[];
  /** Width over height of the cover that was chosen. */
  coverRatio?: number;
  /** The day from which the public may see it, and the day on which the page goes out (`2027-01-11`), as the publisher says. */
  out?: string;
  pageOut?: string;
  /** Height of the content in pixels, where the player tells it. */
  contentHeight?: number;
}
