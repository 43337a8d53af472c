import Papa from 'papaparse';
import { parseTime, showTime } from '../../model/time.ts';
import { entryOf, type Entry } from '../order.ts';
import type { OrderFormat } from './format.ts';
import { whole } from './whole.ts';

/** What was set before a text so that no table program takes it for a formula, or for one that is guarded. */
const GUARD = /^'(?='*[=+\-@\t\r])/;
const GUARDED = /^'+[=+\-@\t\r]/;
const guarded = (text: string): string => (GUARDED.test(text) ? `'${text}` : text);
const HEAD = ['address', 'title', 'from', 'until', 'author', 'day', 'length', 'words', 'page', 'id'] as const;
type Column = (typeof HEAD)[number];

/** CSV (RFC 4180) with a head; times as `1:12` or as seconds. */
export const csv: OrderFormat = {
  id: 'csv',
  label: 'CSV',
  extension: 'csv',
  is: (source) => /^\uFEFF?[^\n]*\baddress\b/i.test(source) && /[,;\t]/.test(source.slice(0, 400)),
  read: (source, base) => {
    const { data } = Papa.parse<Partial<Record<Column, string>>>(source.replace(/^\uFEFF/, ''), {
      header: true,
      skipEmptyLines: true,
      transformHeader: (head) => head.trim().toLowerCase(),
    });
    const left: number[] = [];
    const entries = data.slice(0, 5000).flatMap((row, i): Entry[] => {
      const text = (column: Column): string | undefined => row[column]?.replace(GUARD, '');
      const address = whole(row.address, base);
      const time = (column: 'from' | 'until' | 'length'): number | undefined => parseTime((row[column] ?? '').trim());
      const found = entryOf({
        id: row.id ?? `${address ?? ''} ${i}`,
        address,
        page: whole(row.page, base),
        title: text('title'),
        words: text('words'),
        author: text('author'),
        day: /^\d{4}-\d{2}-\d{2}$/.test(row.day ?? '') ? row.day : '',
        seconds: time('length'),
        from: time('from'),
        until: time('until'),
      });
      if (!found) left.push(i);
      return found ? [found] : [];
    });
    return { name: '', words: '', links: [], entries, left };
  },
  write: ({ entries }) => {
    const time = (seconds: number | undefined): string => (seconds === undefined ? '' : showTime(seconds));
    const rows = entries.map((one): Record<Column, string> => ({
      address: one.address,
      title: guarded(one.title),
      from: time(one.from),
      until: time(one.until),
      author: guarded(one.author),
      day: one.day,
      length: time(one.seconds),
      words: guarded(one.words),
      page: one.page ?? '',
      id: one.id,
    }));
    // What would be a formula in a table program is text there.
    return Papa.unparse(rows, { columns: [...HEAD], escapeFormulae: true });
  },
};
