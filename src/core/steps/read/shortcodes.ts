import type { Candidate, PlacedAttribute, Range } from '../../model/candidate.ts';
import { readLinks } from './links.ts';
import { asMarkdown } from './markdown.ts';

const CODE = /\[([a-z][\w-]{1,40})((?:\s{1,4}[\w-]{1,40}=(?:"[^"\]]*"|'[^'\]]*'|[^\s"'\]]+)){1,20})\s{0,4}\/?\]/gi;
const ATTRIBUTE = /([\w-]+)=(?:"([^"]*)"|'([^']*)'|([^\s"']+))/g;

/** `[media=560x315]…[/media]`, `[url=…]`: one value without a name (BBCode). */
const SIZED = /\[[a-z]{2,20}=["']?(\d{2,4})\s?[x,×]\s?(\d{2,4})["']?\]\s*$/i;

/** Links in a text, with the sizes of the short codes around them, and the short codes that hold no link themselves. */
export function readShortcodes(text: string, offset = 0): Candidate[] {
  const links = readLinks(text).map((link) => asMarkdown(link, text));
  if (!text.includes('[')) return links.map((link) => shifted(link, offset));
  const taken = new Map<Candidate, PlacedAttribute[]>();
  const codes: Candidate[] = [];
  let next = 0;
  for (const m of text.matchAll(CODE)) {
    const to = m.index + m[0].length;
    const name: Candidate['tag'] = [m.index + 1, m.index + 1 + m[1]!.length];
    const attributes = attributesOf(m[2]!, name[1]);
    // Both stand in the order of the text, so that each link is looked at once.
    while (next < links.length && links[next]!.range[0] < m.index) next++;
    const held = linksFrom(links, next, to);
    const around = held.length > 0 ? held : linksWithin(links, next, text, { name: m[1]!, to });
    for (const link of around)
      taken.set(
        link,
        attributes.filter((one) => SIZES.has(one.name)),
      );
    if (around.length > 0) continue;
    codes.push({
      range: [m.index, to],
      source: 'shortcode',
      element: m[1]!,
      tag: name,
      address: null,
      addressRange: null,
      attributes,
      repairs: [],
    });
  }
  const sized = links.map((link) => ({ ...link, attributes: taken.get(link) ?? sizeBefore(text, link.range[0]) }));
  return [...sized, ...codes].sort((a, b) => a.range[0] - b.range[0]).map((one) => shifted(one, offset));
}

const SIZES = new Set(['width', 'height']);
/** How far the closing one of a pair is looked for. */
const NEAR = 4000;

/** The links that begin at an index or later and end before a place. */
function linksFrom(links: readonly Candidate[], index: number, end: number): Candidate[] {
  let last = index;
  while (last < links.length && links[last]!.range[1] <= end) last++;
  return links.slice(index, last);
}

/** The links between a short code and the one that closes it. */
function linksWithin(
  links: readonly Candidate[],
  index: number,
  text: string,
  { name, to }: { name: string; to: number },
): Candidate[] {
  if (links[index] === undefined || links[index].range[0] > to + NEAR) return [];
  const end = text
    .slice(to, to + NEAR)
    .toLowerCase()
    .indexOf(`[/${name.toLowerCase()}]`);
  return end < 0 ? [] : linksFrom(links, index, to + end);
}

function sizeBefore(text: string, at: number): PlacedAttribute[] {
  const from = Math.max(0, at - 80);
  const before = text.slice(from, at);
  const size = SIZED.exec(before);
  if (!size) return [];
  return ['width', 'height'].map((name, i) => {
    const begin = from + size.index + size[0].indexOf(size[i + 1]!, i === 0 ? 0 : size[0].search(/[x,×]/i));
    const range: Range = [begin, begin + size[i + 1]!.length];
    return { name, value: size[i + 1]!, whole: range, range };
  });
}

/** The candidate with its places in the text of which this is a part. */
function shifted(candidate: Candidate, by: number): Candidate {
  if (by === 0) return candidate;
  const shift = ([from, to]: Range): Range => [from + by, to + by];
  const place = (a: PlacedAttribute): PlacedAttribute => ({ ...a, whole: shift(a.whole), range: a.range && shift(a.range) });
  return {
    ...candidate,
    range: shift(candidate.range),
    addressRange: candidate.addressRange && shift(candidate.addressRange),
    attributes: candidate.attributes.map(place),
    ...(candidate.doubt && { doubt: { ...candidate.doubt, range: shift(candidate.doubt.range) } }),
    ...(candidate.tag && { tag: shift(candidate.tag) }),
  };
}

function attributesOf(text: string, offset: number): PlacedAttribute[] {
  return [...text.matchAll(ATTRIBUTE)].map((m) => {
    const from = offset + m.index;
    const value = m[2] ?? m[3] ?? m[4]!;
    const quoted = m[4] === undefined ? 1 : 0;
    const valueFrom = from + m[1]!.length + 1 + quoted;
    return {
      name: m[1]!.toLowerCase(),
      value,
      whole: [from, from + m[0].length],
      range: [valueFrom, valueFrom + value.length],
    };
  });
}
