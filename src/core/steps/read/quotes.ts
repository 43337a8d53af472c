import type { PlacedAttribute, Range, Repair } from '../../model/candidate.ts';
import type { Tag } from '../../model/markup/tags.ts';

/**
 * A quote that is missing in `src`. At its end, the value runs on over the name of the next attribute, whose
 * own value then stands as a bare name; at its beginning, the closing one is left at the end of the value.
 */
export function missingQuote(tag: Tag): { tag: Tag; repairs: Repair[] } {
  const at = tag.attributes.findIndex((a) => a.name === 'src');
  const source = tag.attributes[at];
  if (!source?.value || !source.range) return { tag, repairs: [] };
  const ranOn = /\s[a-z-]+=\s*$/i.test(source.value);
  // Only a value without quotes can end in one.
  const leftOver = source.range[1] === source.whole[1] && /["']$/.test(source.value);
  const address = /^\s*([^\s"']+)/.exec(source.value)?.[1];
  if (!address || ranOn === leftOver) return { tag, repairs: [] };
  const from = source.range[0] + source.value.indexOf(address);
  const range: Range = [from, from + address.length];
  const mended: PlacedAttribute = { ...source, value: address, range, whole: [source.whole[0], range[1]] };
  const attributes = [...tag.attributes];
  attributes[at] = mended;
  const swallowed = swallowedAttribute(source, tag.attributes[at + 1]);
  if (swallowed) attributes[at + 1] = swallowed;
  return { tag: { ...tag, attributes }, repairs: [{ code: 'quoteMissing', was: source.value, now: address }] };
}

/** `width=` at the end of the value, and `560"` as the next attribute's name, are `width="560"`. */
function swallowedAttribute(source: PlacedAttribute, next: PlacedAttribute | undefined): PlacedAttribute | undefined {
  const name = /\s([a-z-]+)=\s*$/i.exec(source.value!)?.[1];
  const value = next?.value === null ? /^([^"'=]+)["']$/.exec(next.name)?.[1] : undefined;
  if (!name || value === undefined || !next) return undefined;
  const from = next.whole[0];
  const start = source.range![0] + source.value!.lastIndexOf(name);
  return { name: name.toLowerCase(), value, range: [from, from + value.length], whole: [start, next.whole[1]] };
}
