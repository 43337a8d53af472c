/** A half-open range of UTF-16 code units in the text that was brought in: `[from, to)`. */
export type Range = readonly [from: number, to: number];

/** An attribute as it stands in the text; `value` is decoded, and null for a bare name. */
export interface Attribute {
  name: string;
  value: string | null;
}

/** Where the white space before a place begins. Scans backwards, since `/\s*$/` takes quadratic time in a long text. */
export function trimmedEnd(text: string, end: number): number {
  let at = end;
  while (at > 0 && /\s/.test(text.charAt(at - 1))) at--;
  return at;
}
