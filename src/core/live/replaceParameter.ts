import { writtenParts } from '../model/markup/addressParts.ts';
import type { Range } from '../model/candidate.ts';
import type { Parameter } from '../model/item.ts';
import { encodeParameter } from '../model/url.ts';

/** The text with another value for a parameter of the address at this range; the rest keeps its bytes. */
export function replaceParameter(text: string, [from, to]: Range, { name, raw }: Parameter, value: string): string {
  const { head, parts } = writtenParts(text.slice(from, to));
  const wanted = parts.find(({ meant }) => meant === raw);
  if (!wanted) return text;
  const spelt = `${wanted.text.split('=')[0] || encodeParameter(name)}=${encodeParameter(value)}`;
  const address = parts.map((part) => part.joint + (part === wanted ? spelt : part.text)).join('');
  return text.slice(0, from) + head + address + text.slice(to);
}
