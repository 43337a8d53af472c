import type { Range } from '../model/candidate.ts';
import type { Parameter } from '../model/item.ts';
import { encodeParameter } from '../model/url.ts';

/** The text with another value for a parameter of the address at this range; the rest keeps its bytes. */
export function replaceParameter(text: string, [from, to]: Range, { name, raw }: Parameter, value: string): string {
  const address = text.slice(from, to);
  const spelt = address.includes(raw) ? raw : raw.replaceAll('&', '&amp;');
  const at = address.indexOf(spelt);
  if (at < 0) return text;
  const wanted = `${raw.split('=')[0] || encodeParameter(name)}=${encodeParameter(value)}`;
  return text.slice(0, from + at) + wanted + text.slice(from + at + spelt.length);
}
