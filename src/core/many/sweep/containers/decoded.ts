import type { Piece } from './container.ts';

/**
 * A run of a file in which signs are escaped, decoded, with the way back. Begins at `from`; `escape` (global) finds one
 * escaped sign, `decode` gives what it stands for.
 */
export function decodedPiece(
  raw: string,
  from: number,
  { escape, decode, spell }: { escape: RegExp; decode: (escaped: string) => string; spell: Piece['spell'] },
): Piece {
  /** Places behind each escape, in the text and in the file; between two of them both go on alike. */
  const [here, there] = [[0], [from]];
  let text = '';
  let at = 0;
  for (const { 0: escaped, index } of raw.matchAll(escape)) {
    text += raw.slice(at, index) + decode(escaped);
    at = index + escaped.length;
    here.push(text.length);
    there.push(from + at);
  }
  text += raw.slice(at);
  return { text, origin: (place) => originOf(place, here, there), spell };
}

function originOf(place: number, here: readonly number[], there: readonly number[]): number {
  let [low, high] = [0, here.length - 1];
  while (low < high) {
    const middle = (low + high + 1) >> 1;
    if (here[middle]! <= place) low = middle;
    else high = middle - 1;
  }
  const next = there[low + 1];
  const found = there[low]! + place - here[low]!;
  // Within what an escape stands for there is no place of its own.
  return next === undefined ? found : Math.min(found, next);
}
