import type { Seen } from './observe.ts';

/** A piece of the links of one form: where it stands, and what it is in each of them. */
export interface Atom {
  place: string;
  /** Within the text of the place, in each link. */
  ranges: readonly (readonly [start: number, end: number])[];
  texts: readonly string[];
  /** Of a whole link: the places of the parameters in it. */
  holds?: readonly string[];
}

/** What a text is made of: fixed text, and pieces of the link. */
export type Part = string | Atom;

/** The parts of an address by name: `sub`, `path:1`, `query:v`, `fragment`. */
export function placesOf({ host, path, query, fragment }: Seen): Map<string, string> {
  const places = new Map<string, string>([['sub', host.slice(0, Math.max(host.indexOf('.'), 0))]]);
  path.forEach((segment, i) => places.set(`path:${i}`, segment));
  for (const { name, value } of query) if (!places.has(`query:${name}`)) places.set(`query:${name}`, value);
  if (fragment !== '') places.set('fragment', fragment);
  return places;
}

/** Words that addresses are made of, whatever they lead to. */
const USUAL_WORDS: ReadonlySet<string> = new Set(
  (
    'www m embed embedded embeds player players play frame frames framed iframe widget watch see view viewer video videos v vid film films ' +
    'movie clip clips loop loops audio sound sounds track tracks song listen podcast podcasts show shows episode ' +
    'episodes e ep album albums set sets list lists playlist playlists channel channels c ch user users u by at live stream onair run ' +
    'doc docs document documents d file files page pages sheet slide slides slideshow deck decks presentation read book books booklet ' +
    'form forms ask map maps place places photo photos image images gallery media content item items id i p s a f r t w x share shared ' +
    'public released edit index html htm php api en de fr es it nl pt'
  ).split(' '),
);

/** Whether a segment is a word that paths use everywhere, and so no identifier. */
export const isUsualWord = (text: string): boolean => USUAL_WORDS.has(text.toLowerCase().replace(/\.(?:html?|php)$/, ''));

const FILE = /\.(?:html?|php\d?|aspx?)$/i;

/** Words; what stands between commas and the like; and numbers. */
const TOKENS = [/[\p{L}\p{N}]+/gu, /[^,;:|~]+/g, /(?<![\p{L}\p{N}])-?\d+(?:\.\d+)?/gu];
const DEEPEST = 3;

/** Every piece that all links have in the same way: counted in words from the start or from the end of a part. */
export function atomsOf(links: readonly Seen[]): Atom[] {
  const all = links.map(placesOf);
  const atoms: Atom[] = [];
  for (const place of all[0]!.keys()) {
    const texts = all.map((places) => places.get(place));
    if (texts.every((text) => text !== undefined && text !== '')) atoms.push(...piecesOf(place, texts as string[]));
  }
  return atoms;
}

function piecesOf(place: string, texts: readonly string[]): Atom[] {
  const whole: Atom = { place, ranges: texts.map((text) => [0, text.length]), texts };
  const found = new Map<string, Atom>();
  for (const token of TOKENS)
    for (const ranges of runsOf(texts, token)) {
      const key = JSON.stringify(ranges);
      const isWhole = ranges.every(([start, end], i) => start === 0 && end === texts[i]!.length);
      if (!isWhole && !found.has(key))
        found.set(key, { place, ranges, texts: texts.map((text, i) => text.slice(...ranges[i]!)) });
    }
  // What ends in the name of a kind of file is more than an identifier.
  return texts.every((text) => FILE.test(text)) ? [...found.values()] : [whole, ...found.values()];
}

type Range = readonly [start: number, end: number];

/** Runs of tokens, each counted from the start or from the end of its text, in all texts alike. */
function runsOf(texts: readonly string[], token: RegExp): Range[][] {
  const tokens = texts.map((text) => [...text.matchAll(token)].map(({ 0: one, index }): Range => [index, index + one.length]));
  const fewest = Math.min(...tokens.map((one) => one.length));
  const ends = Array.from({ length: Math.min(fewest, DEEPEST) }, (_, k) => k).flatMap((k) => [k, -1 - k]);
  return ends.flatMap((first) =>
    ends.flatMap((last) => {
      const ranges = tokens.map((one): Range => [one.at(first)![0], one.at(last)![1]]);
      return ranges.every(([start, end]) => start < end) ? [ranges] : [];
    }),
  );
}

/** A piece in itself that would hardly stand in two addresses by chance. */
const isTelling = (text: string): boolean => text.length >= 3 && !isUsualWord(text) && (/\d/.test(text) || text.length >= 4);

const LONGEST_CHAIN = 7;

/**
 * What texts, one of each example, are made of; null where they differ by something that is in none of the links.
 * What they all share is fixed, unless the links share it too and it says which item it is.
 */
export function compose(texts: readonly string[], atoms: readonly Atom[], depth = 0): Part[] | null {
  if (texts.every((text) => text === '')) return [];
  if (depth > LONGEST_CHAIN) return null;
  const same = texts.every((text) => text === texts[0]);
  const fit = atoms
    .filter((atom) => atom.texts.every((text, i) => text !== '' && texts[i]!.includes(text)))
    .filter((atom) => !same || isTelling(atom.texts[0]!))
    .sort((a, b) => weight(b) - weight(a));
  for (const atom of fit) {
    const found = around(texts, atom, { atoms, depth });
    if (found) return found;
  }
  return same ? [texts[0]!] : null;
}

/** Longer pieces first; of those as long, whole parts. */
const weight = ({ texts, ranges }: Atom): number =>
  texts.reduce((sum, text) => sum + text.length, 0) * 2 + (ranges.every(([start]) => start === 0) ? 1 : 0);

function around(
  texts: readonly string[],
  atom: Atom,
  { atoms, depth }: { atoms: readonly Atom[]; depth: number },
): Part[] | null {
  for (const from of ['indexOf', 'lastIndexOf'] as const) {
    const at = texts.map((text, i) => text[from](atom.texts[i]!));
    if (texts.some((text, i) => splitsWord(text, at[i]!, atom.texts[i]!))) continue;
    const left = compose(
      texts.map((text, i) => text.slice(0, at[i])),
      atoms,
      depth + 1,
    );
    const right =
      left &&
      compose(
        texts.map((text, i) => text.slice(at[i]! + atom.texts[i]!.length)),
        atoms,
        depth + 1,
      );
    if (left && right) return [...left, atom, ...right];
  }
  return null;
}

const WORD = /[\p{L}\p{N}]/u;
/** A short piece within a longer word is there by chance. */
const splitsWord = (text: string, at: number, piece: string): boolean =>
  piece.length < 5 && (WORD.test(text.charAt(at - 1)) || WORD.test(text.charAt(at + piece.length)));
