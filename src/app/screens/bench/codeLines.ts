import type { Range } from '../../../core/model/candidate.ts';
import { findTags, type Tag } from '../../../core/model/markup/tags.ts';

/** A shorter code fits on its line as it is. */
const SHORT = 60;
const SHORT_VALUE = 36;
/** Attributes that hold an address, whose parameters have lines of their own. */
const ADDRESSES = new Set(['src', 'href', 'data']);
const DECLARATION = /;\s*(?=\S)/g;
const PARAMETER = /[?&](?:amp;)?(?=[^?&\s])/g;

/**
 * Where a code is broken over lines to be read: before its elements, attributes and parameters. Only what is shown is
 * broken; the text stays as it is. Positions in the text, ascending.
 */
export function breaksIn(text: string): number[] {
  if (text.length < SHORT) return [];
  const breaks = new Set<number>();
  for (const tag of findTags(text, null)) {
    if (tag.from > 0 && text[tag.from - 1] === '>') breaks.add(tag.from);
    if (tag.to - tag.from >= SHORT) for (const at of breaksWithin(tag, text)) breaks.add(at);
  }
  return [...breaks].sort((a, b) => a - b);
}

function breaksWithin({ attributes }: Tag, text: string): number[] {
  return attributes.flatMap(({ name, whole, range }) => {
    // Who wrote it over lines laid it out already.
    const before = /\n[^\S\n]*$/.test(text.slice(Math.max(0, whole[0] - 80), whole[0])) ? [] : [whole[0]];
    const pattern = ADDRESSES.has(name) ? PARAMETER : name === 'style' ? DECLARATION : null;
    if (!range || !pattern || range[1] - range[0] < SHORT_VALUE) return before;
    const parts = [...text.slice(...range).matchAll(pattern)].map(({ 0: sign, index }) => range[0] + index + sign.length);
    return [...before, ...(name === 'style' ? filled(parts, range) : parts)];
  });
}

/** Of the places between declarations those that fill the lines, as a paragraph does. */
function filled(places: readonly number[], [from, to]: Range): number[] {
  const breaks: number[] = [];
  for (const [i, place] of places.entries())
    if ((places[i + 1] ?? to) - (breaks.at(-1) ?? from) > SHORT_VALUE) breaks.push(place);
  return breaks;
}

/** The text in the pieces that stand on a line each. */
export function linesOf(text: string): string[] {
  const ends = [...breaksIn(text), text.length];
  return ends.map((end, i) => text.slice(i === 0 ? 0 : ends[i - 1], end));
}
