import { writtenParts } from '../../model/markup/addressParts.ts';
import type { Range } from '../../model/candidate.ts';

/** The text without a parameter of the address at this range, and without the sign that joined it. */
export function withoutParameter(text: string, [from, to]: Range, raw: string): string {
  const { head, parts } = writtenParts(text.slice(from, to));
  const gone = parts.findIndex(({ meant }) => meant === raw);
  if (gone < 0) return text;
  const { place, joint } = parts[gone]!;
  const next = parts[gone + 1];
  // What follows the first of its place takes its sign.
  const left = parts.map((part) => (part === next && part.place === place && !joint.startsWith('&') ? { ...part, joint } : part));
  left.splice(gone, 1);
  return text.slice(0, from) + head + left.map((part) => part.joint + part.text).join('') + text.slice(to);
}
