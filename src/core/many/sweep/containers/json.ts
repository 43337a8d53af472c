import { mayHold, type Container, type Piece } from './container.ts';
import { decodedPiece } from './decoded.ts';

/** HTML in the strings of a JSON text (RFC 8259, section 7). */
export const json: Container = {
  id: 'json',
  endings: ['json', 'jsonl', 'ndjson'],
  pieces: (text) =>
    [...text.matchAll(STRING)].flatMap(({ 0: { length }, index }): Piece[] => {
      const raw = text.slice(index + 1, index + length - 1);
      if (!/[<[]|\\u00[35][cb]/i.test(raw)) return [];
      const piece = decodedPiece(raw, index + 1, { escape: ESCAPE, decode, spell: spellLike(raw) });
      return mayHold(piece.text) ? [piece] : [];
    }),
};

const STRING = /"(?:[^"\\\n\r]|\\.)*"/g;
const ESCAPE = /\\(?:u[\da-f]{4}|["\\/bfnrt])/gi;

function decode(escaped: string): string {
  return JSON.parse(`"${escaped}"`) as string;
}

/** As the string around it writes what need not be escaped. */
const spellLike =
  (raw: string) =>
  (text: string): string => {
    let spelt = JSON.stringify(text).slice(1, -1);
    if (raw.includes('\\/')) spelt = spelt.replaceAll('/', '\\/');
    if (/\\u003c/i.test(raw)) spelt = spelt.replaceAll('<', '\\u003c').replaceAll('>', '\\u003e');
    return spelt;
  };
