import type { Candidate, PlacedAttribute } from '../model/candidate.ts';
import { readLinks } from './links.ts';
import { asMarkdown } from './markdown.ts';

const CODE = /\[([a-z][\w-]{1,40})((?:\s{1,4}[\w-]{1,40}=(?:"[^"\]]*"|'[^'\]]*'|[^\s"'\]]+)){1,20})\s{0,4}\/?\]/gi;
const ATTRIBUTE = /([\w-]+)=(?:"([^"]*)"|'([^']*)'|([^\s"']+))/g;

/** Links in a text, and the short codes in square brackets that hold no link themselves. */
export function readShortcodes(text: string): Candidate[] {
  const links = readLinks(text).map((link) => asMarkdown(link, text));
  const codes: Candidate[] = [];
  for (const m of text.matchAll(CODE)) {
    const to = m.index + m[0].length;
    if (links.some(({ range }) => range[0] >= m.index && range[1] <= to)) continue;
    const name: Candidate['tag'] = [m.index + 1, m.index + 1 + m[1]!.length];
    codes.push({
      range: [m.index, to],
      source: 'shortcode',
      element: m[1]!,
      tag: name,
      address: null,
      addressRange: null,
      attributes: attributesOf(m[2]!, name[1]),
      repairs: [],
    });
  }
  return codes.length === 0 ? links : [...links, ...codes].sort((a, b) => a.range[0] - b.range[0]);
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
