import { asItIs, mayHold, type Container, type Piece } from './container.ts';
import { decodedPiece } from './decoded.ts';

/** HTML in the cells of a table (RFC 4180, section 2): in quotes, where quotes are doubled, or without. */
export const csv: Container = {
  id: 'csv',
  endings: ['csv', 'tsv'],
  pieces: (text) =>
    [...text.matchAll(CELL)].flatMap(({ 0: { length }, 1: sign = '', index }): Piece[] => {
      const from = index + sign.length;
      const cell = text.slice(from, index + length);
      const quoted = cell.startsWith('"');
      const inside = quoted ? cell.slice(1, cell.endsWith('"') && cell.length > 1 ? -1 : undefined) : cell;
      if (!mayHold(inside)) return [];
      return [quoted ? decodedPiece(inside, from + 1, QUOTED) : { ...asItIs(inside, from), spell: withoutQuotes }];
    }),
};

/** A cell with the sign before it; the byte order mark belongs to none. */
const CELL = /(^\ufeff?|[,;\t\n\r])("(?:[^"]|"")*(?:"|$)|[^",;\t\n\r][^,;\t\n\r]*)/g;
const QUOTED = {
  escape: /""/g,
  decode: () => '"',
  spell: (text: string): string => text.replaceAll('"', '""'),
};
const withoutQuotes = (text: string): string | null => (/[",;\t\n\r]/.test(text) ? null : text);
