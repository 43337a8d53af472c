import { atomsOf, compose, isUsualWord, placesOf, type Atom, type Part } from './compose.ts';
import { isLocale } from '../model/words.ts';
import type { Observation, Seen } from './observe.ts';

/** A link with the frame or the placeholder that its host made of it, and nothing asked for. */
export interface Pair {
  observation: Observation;
  link: Seen;
  /** The parts of the frame address, or the attributes of the placeholder. */
  places: ReadonlyMap<string, string>;
}

/** What a group of links has in common, and what their frames are made of. */
export interface Solved {
  pairs: readonly Pair[];
  /** By the place in the frame address. */
  frame: ReadonlyMap<string, readonly Part[]>;
  /** By the place in the link; what is null is free. */
  link: ReadonlyMap<string, readonly (Part | null)[]>;
  /** Parts of frame addresses that are in none of the links. */
  inner: readonly string[];
}

const MOST_ROUNDS = 3;

/** Groups pairs so that in each the frame is made of the link in one way. */
export function solve(pairs: readonly Pair[], round = 0): Solved[] {
  if (pairs.length === 0) return [];
  const whole = solveTogether(pairs);
  if (pairs.length === 1 || round >= MOST_ROUNDS) return whole ? [whole] : pairs.flatMap((pair) => solveTogether([pair]) ?? []);
  const split = partitions(pairs, whole);
  for (const groups of split) {
    const solved = groups.flatMap((group) => solve(group, round + 1));
    if (whole === null || solved.every(({ inner }) => inner.length === 0)) return solved;
  }
  if (whole) return [whole];
  for (const odd of mayBeOdd(pairs)) {
    const others = solveTogether(pairs.filter((pair) => pair !== odd));
    if (others) return [others, ...solve([odd], round + 1)];
  }
  return pairs.flatMap((pair) => solveTogether([pair]) ?? []);
}

const FEW = 8;

/**
 * Pairs of which one may be what keeps the others from being made in one way. Of many, the half that is not made in one way
 * by itself, and of that again the half: to leave out each in turn would take the square of their number.
 */
function mayBeOdd(pairs: readonly Pair[]): readonly Pair[] {
  let some = pairs.length > 2 ? pairs : [];
  while (some.length > FEW) {
    const middle = some.length >> 1;
    const wrong = [some.slice(0, middle), some.slice(middle)].filter((half) => solveTogether(half) === null);
    some = wrong.length === 1 ? wrong[0]! : [];
  }
  return some;
}

/** Ways in which the links fall into groups of their own: by a word in the path, or by the kind of what they lead to. */
function partitions(pairs: readonly Pair[], whole: Solved | null): Pair[][][] {
  const found: Pair[][][] = [];
  const by = (key: (pair: Pair) => string, worthIt: (keys: string[]) => boolean): void => {
    const groups = new Map<string, Pair[]>();
    for (const pair of pairs) groups.set(key(pair), [...(groups.get(key(pair)) ?? []), pair]);
    if (groups.size > 1 && groups.size <= 6 && worthIt([...groups.keys()])) found.push([...groups.values()]);
  };
  by(
    ({ observation }) => observation.kind ?? '',
    () => true,
  );
  const { length } = pairs[0]!.link.path;
  for (let i = 0; i < length; i++) {
    const free = whole?.link.get(`path:${i}`);
    if (whole && !(free?.length === 1 && free[0] === null)) continue;
    by(
      ({ link }) => link.path[i]!,
      (keys) => (keys.every(isUsualWord) && !keys.every(isLocale)) || (whole === null && keys.length < pairs.length),
    );
  }
  return found;
}

function solveTogether(pairs: readonly Pair[]): Solved | null {
  const all = atomsOf(pairs.map(({ link }) => link));
  const atoms = [
    ...wholeLinks(pairs),
    ...all.filter(({ place, texts }) => place !== 'sub' || texts.some((one) => one !== texts[0])),
  ];
  const texts = commonPlaces(pairs.map(({ places }) => places));
  const frame = new Map<string, Part[]>();
  const inner: string[] = [];
  for (const [place, all] of texts) {
    const parts = place === 'sub' && all.every((one) => one === all[0]) ? [all[0]!] : compose(all, atoms);
    if (parts) frame.set(place, parts);
    else inner.push(place);
  }
  const used = [...frame.values()].flat().filter((part) => typeof part !== 'string');
  if (inner.length > 0 && pairs.length > 1 && used.length === 0) return null;
  if (inner.some((place) => !/^(?:query|attr):/.test(place))) return null;
  const link = linkPattern(pairs, used);
  return link && { pairs, frame, link, inner };
}

/** The link itself, which some frames hold. */
function wholeLinks(pairs: readonly Pair[]): Atom[] {
  const atom = (texts: string[]): Atom => ({ place: 'link', ranges: texts.map((text) => [0, text.length]), texts });
  const bare = pairs.map(({ link }) => link.address.replace(/[?#].*$/s, ''));
  const names = [...commonPlaces(pairs.map(({ link }) => placesOf(link))).keys()].filter((place) => place.startsWith('query:'));
  const raw = (link: Seen, place: string): string => link.query.find(({ name }) => `query:${name}` === place)!.raw;
  // With each parameter by itself, and with the first of them, up to all.
  const some = [...names.map((place) => [place]), ...names.slice(1).map((_, i) => names.slice(0, i + 2))];
  const withSome = some.map((holds) => ({
    ...atom(pairs.map(({ link }, i) => `${bare[i]}?${holds.map((place) => raw(link, place)).join('&')}`)),
    holds,
  }));
  return [atom(bare), ...withSome];
}

/** The places that all have, with the text of each. */
function commonPlaces(all: readonly ReadonlyMap<string, string>[]): Map<string, string[]> {
  return new Map(
    [...all[0]!.keys()].flatMap((place) => {
      const texts = all.map((places) => places.get(place));
      return texts.every((text) => text !== undefined) ? [[place, texts]] : [];
    }),
  );
}

/** The link taken apart: what is used, what is fixed, and what is free. Null where pieces that are used lie across one another. */
function linkPattern(pairs: readonly Pair[], used: readonly Atom[]): Solved['link'] | null {
  const pattern = new Map<string, (Part | null)[]>();
  const texts = commonPlaces(pairs.map(({ link }) => placesOf(link)));
  const whole = used.some(({ place }) => place === 'link');
  const held = new Set(used.flatMap(({ holds }) => holds ?? []));
  let owned = false;
  for (const [place, all] of texts) {
    const here = [...new Set(used.filter((atom) => atom.place === place))];
    if (held.has(place)) {
      pattern.set(place, [null]);
      continue;
    }
    if (here.length === 0 && (place.startsWith('query:') || place === 'fragment')) continue;
    if (place === 'sub' && here.length === 0) {
      if (new Set(all).size > 1 || isOwned(all[0]!, pairs)) pattern.set(place, [null]);
      continue;
    }
    const parts: (Part | null)[] | null =
      here.length > 0 ? between(all, here) : withSign(all, owned ? null : unused(place, all, whole));
    if (!parts) return null;
    pattern.set(place, parts);
    owned = parts.length === 1 && typeof parts[0] === 'string' && OF_SOMEBODY.has(parts[0]);
  }
  return pattern;
}

/** Whether a first label hardly is the host's own: a language, or, of one example alone, no usual word before a domain. */
const isOwned = (label: string, pairs: readonly Pair[]): boolean =>
  isLocale(label) || (pairs.length === 1 && !isUsualWord(label) && pairs[0]!.link.host.split('.').length > 2);

/** Names of people and of what they own stand behind these. */
const OF_SOMEBODY = new Set(['u', 'user', 'users', 'by', 'c', 'channel', 'channels', 'profile', 'author', 'people', 'from']);

/** A part of the path that no frame needs: fixed, or free. */
function unused(place: string, all: readonly string[], whole: boolean): Part | null {
  const [first] = all;
  if (all.some((text) => text !== first)) return null;
  if (place === 'path:0' && isLocale(first!)) return null;
  if (first === '' || isUsualWord(first!)) return first!;
  if (whole) return all.length > 1 && !/\d/.test(first!) ? first! : null;
  if (first!.startsWith('@')) return null;
  // One example alone does not show what is fixed; what is free takes what is fixed too.
  return all.length === 1 ? null : first!;
}

/** Names of people begin with a sign that is the host's. */
const withSign = (all: readonly string[], part: Part | null): (Part | null)[] =>
  part === null && all.every((text) => text.startsWith('@') && text.length > 1) ? ['@', null] : [part];

/** What stands before, between and behind pieces of one part. */
function between(all: readonly string[], atoms: readonly Atom[]): (Part | null)[] | null {
  const inOrder = [...atoms].sort((a, b) => a.ranges[0]![0] - b.ranges[0]![0]);
  const parts: (Part | null)[] = [];
  let from = all.map(() => 0);
  for (const atom of inOrder) {
    if (atom.ranges.some(([start], i) => start < from[i]!)) return null;
    const gap = gapParts(
      all.map((text, i) => text.slice(from[i], atom.ranges[i]![0])),
      { before: parts.length > 0, after: true },
    );
    if (!gap) return null;
    parts.push(...gap, atom);
    from = atom.ranges.map(([, end]) => end);
  }
  const last = gapParts(
    all.map((text, i) => text.slice(from[i])),
    { before: true, after: false },
  );
  return last && [...parts, ...last];
}

const SIGNS_BEFORE = /^[^\p{L}\p{N}]+/u;
const SIGNS_BEHIND = /[^\p{L}\p{N}]+$/u;

/** Text between pieces: the same everywhere, or free between signs that are. */
function gapParts(gaps: readonly string[], { before, after }: { before: boolean; after: boolean }): (string | null)[] | null {
  const [first] = gaps;
  const same = gaps.every((gap) => gap === first);
  if (
    same &&
    (gaps.length > 1 || first === '' || !/[\p{L}\p{N}]/u.test(first!) || isUsualWord(first!.replace(/[^\p{L}\p{N}]/gu, '')))
  )
    return first === '' ? [] : [first!];
  const signs = (at: RegExp): string | null => {
    const found = gaps.map((gap) => at.exec(gap)?.[0] ?? '');
    return found.every((sign) => sign !== '' && sign === found[0]) ? found[0]! : null;
  };
  const [open, close] = [before ? signs(SIGNS_BEFORE) : '', after ? signs(SIGNS_BEHIND) : ''];
  if (open === null || close === null) return null;
  if (gaps.some((gap) => gap.length <= open.length + close.length)) return null;
  return [...(open ? [open] : []), null, ...(close ? [close] : [])];
}

/** Fixed texts and how many captures are in a pattern: two that have them all alike are one form. */
export const keyOf = (pattern: Solved['link']): string =>
  JSON.stringify(
    [...pattern].map(([place, parts]) => [place, parts.map((part) => (part === null ? 0 : typeof part === 'string' ? part : 1))]),
  );

/**
 * What one way of making a frame shows to be the host's own text, no other way takes from its links: a word that all
 * links of one form have, and that frames have too where the link does not, names no item.
 */
export function withFixedOfOthers(all: readonly Solved[]): Solved[] {
  return all.map((one) => {
    const others = all.filter((other) => other !== one && sameNames(other.frame, one.frame));
    const fixed = new Set<Part | null>(
      [...one.frame].flatMap(([place, parts]) => {
        const text = parts.length === 1 ? sameIn(parts[0]!) : null;
        return text !== null && others.some(({ frame }) => isText(frame.get(place)!, text)) ? parts : [];
      }),
    );
    const said = <Held extends Part | null>(parts: ReadonlyMap<string, readonly Held[]>): Map<string, (Held | string)[]> =>
      new Map([...parts].map(([place, held]) => [place, held.map((part) => (part && fixed.has(part) ? sameIn(part)! : part))]));
    return fixed.size === 0 ? one : { ...one, frame: said(one.frame), link: said(one.link) };
  });
}

const sameNames = (a: Solved['frame'], b: Solved['frame']): boolean => [...a.keys()].join() === [...b.keys()].join();

const isText = (parts: readonly Part[], text: string): boolean => parts.length === 1 && parts[0] === text;

/** The text of a piece that is the same in all links. */
const sameIn = (part: Part): string | null =>
  typeof part !== 'string' && part.texts.every((text) => text === part.texts[0]) ? part.texts[0]! : null;
