import type { Attribute, Candidate } from '../model/candidate.ts';
import type { Kind } from '../model/kind.ts';
import { splitUrl } from '../model/url.ts';
import { scriptKey } from '../known/hosts/book.ts';
import { isHandler } from '../model/running.ts';
import { read } from '../steps/read/read.ts';
import { decode, splitAddress } from '../steps/recognise/address.ts';
import type { Parameter } from '../model/item.ts';
import type { Settings } from '../known/settings/list.ts';
import type { Example } from './examples.ts';

/** An address taken apart. Segments and values are decoded. */
export interface Seen {
  address: string;
  origin: string;
  host: string;
  /** `['see', 'k7']` of `/see/k7`; a last one that is empty for a closing slash. */
  path: readonly string[];
  query: readonly Parameter[];
  /** What stands behind the #, decoded. */
  fragment: string;
}

/** The code of a host that is no frame: an element that a script turns into the embed. */
export interface Placeholder {
  src: string;
  element: string;
  attributes: readonly Attribute[];
}

/** One example as it is looked at. Those that say the same are one. */
export interface Observation {
  /** Places in the list of examples. */
  from: readonly number[];
  /** Of these, those with the code, where link and code were brought apart. */
  coded?: readonly number[];
  link: Seen | null;
  frame: Seen | null;
  placeholder: Placeholder | null;
  /** Of the frame. */
  attributes: readonly Attribute[];
  /** Ratio of a padding wrapper around the frame. */
  wrapped: string | null;
  settings: Settings;
  kind: Kind | undefined;
  /** What runs in its code besides the embed: the host that a script comes from, or the name of what runs. */
  running: readonly string[];
}

/** The examples that hold the code. */
export const codedIn = ({ coded, from }: Observation): readonly number[] => coded ?? from;

/** Why an example, or a part of one, is not in the card. */
export type Why =
  | 'noSource'
  | 'nothingShared'
  | 'otherHost'
  | 'alone'
  | 'asked'
  | 'innerPart'
  | 'notSeen'
  | 'otherwise'
  | 'refused'
  /** Something runs in its code that is no part of the embed; the card leaves it out. */
  | 'runsBesides'
  /** Its placeholder is filled by a script of another host. */
  | 'scriptElsewhere';

/** An example of which nothing could be made, and why. */
export interface Unexplained {
  example: number;
  why: Why;
  /** The part of it, where it is not all of it. */
  part?: string;
}

const SEEN_LINK = /^(?:https?:)?\/\/\S+$/i;

/** An address taken apart; null where it is not of http or https. */
export function seen(address: string): Seen | null {
  const split = splitUrl(address);
  if (!split || !/^https?:/i.test(split.origin)) return null;
  const { origin, host, path, parameters } = splitAddress(address);
  return {
    address,
    origin,
    host,
    path: path.slice(1).split('/').map(decode),
    query: parameters.filter((parameter) => parameter.in === 'query'),
    fragment: decodeWhole(split.fragment.slice(1)),
  };
}

/** Without the plus, which is a space in forms only. */
function decodeWhole(text: string): string {
  try {
    return decodeURIComponent(text);
  } catch {
    return text;
  }
}

/** A closing slash of a link says nothing. */
function linkOf(text: string): Seen | null {
  const found = addressIn(text);
  return found && found.path.length > 1 && found.path.at(-1) === '' ? { ...found, path: found.path.slice(0, -1) } : found;
}

function addressIn(text: string): Seen | null {
  const tidy = text.trim();
  if (SEEN_LINK.test(tidy)) return seen(tidy.startsWith('//') ? `https:${tidy}` : tidy);
  const found = read(tidy).find(({ address, source }) => address !== null && source === 'link');
  return found?.address ? seen(found.address) : null;
}

/** Examples in an order of their own, whatever the order in which they came, each once. */
export function observe(examples: readonly Example[]): { observations: Observation[]; unexplained: Unexplained[] } {
  const found = new Map<string, Observation & { from: number[] }>();
  const unexplained: Unexplained[] = [];
  examples.forEach((example, i) => {
    const key = JSON.stringify([
      example.link?.trim() ?? '',
      example.code?.trim() ?? '',
      Object.entries(example.settings ?? {}).sort(),
      example.kind ?? '',
    ]);
    const before = found.get(key);
    if (before) return void before.from.push(i);
    const observation = observeOne(example, i);
    if (observation) found.set(key, observation);
    else unexplained.push({ example: i, why: 'noSource' });
  });
  const observations = [...found].sort(([a], [b]) => (a < b ? -1 : 1)).map(([, observation]) => observation);
  return { observations, unexplained };
}

function observeOne({ link, code, settings = {}, kind }: Example, i: number): (Observation & { from: number[] }) | null {
  const at = link?.trim() ? linkOf(link) : null;
  const candidate = code?.trim() ? sourceOf(read(code)) : undefined;
  const script = candidate?.source === 'script';
  const frame = candidate?.address && !script ? seen(candidate.address) : null;
  const placeholder =
    script && candidate.element !== undefined && candidate.address !== null
      ? { src: candidate.address, element: candidate.element, attributes: plain(candidate.attributes) }
      : null;
  if (code?.trim() ? !frame && !placeholder : !at) return null;
  return {
    from: [i],
    link: at,
    frame,
    placeholder,
    attributes: frame ? plain(candidate!.attributes) : [],
    wrapped: candidate?.wrapper?.ratio ?? null,
    settings,
    kind,
    running: candidate ? runningIn(candidate, placeholder) : [],
  };
}

const MOST_RUNNING = 5;

/** What runs in a code besides its embed: the host that a script comes from, or the name of what runs. */
function runningIn({ running = [] }: Candidate, placeholder: Placeholder | null): string[] {
  const own = placeholder && scriptKey(placeholder.src);
  const parts = running
    .filter(({ address }) => address === undefined || scriptKey(address) !== own)
    .map(({ name, address }) => (address === undefined ? undefined : splitUrl(address)?.host) ?? name);
  return [...new Set(parts)].slice(0, MOST_RUNNING);
}

/** Handlers are told, and are nothing of the host's. */
const plain = (attributes: Candidate['attributes']): Attribute[] =>
  attributes.filter((one) => !isHandler(one)).map(({ name, value }) => ({ name, value }));

/** The frame, whatever text links stand beside it; a host's script only where there is no frame. */
const sourceOf = (candidates: readonly Candidate[]): Candidate | undefined =>
  (['iframe', 'object', 'script', 'link'] as const)
    .map((source) => candidates.find((one) => one.source === source && one.address !== null))
    .find((one) => one !== undefined);
