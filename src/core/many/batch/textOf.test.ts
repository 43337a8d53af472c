import fc from 'fast-check';
import { expect, test } from 'vitest';
import { runs } from '../../../laws/world.ts';
import { readTable } from './table.ts';
import { textOf } from './textOf.ts';

const bytesOf = (text: string, encoding: 'utf16le' | 'latin1' | 'utf8'): Uint8Array =>
  new Uint8Array(Buffer.from(text, encoding));
const swapped = (bytes: Uint8Array): Uint8Array => bytes.map((_, i) => bytes[i ^ 1]!);

test('a table is the same, whichever way a spreadsheet wrote it', () => {
  const cell = fc
    .string({ unit: fc.constantFrom('a', 'Mühle', 'é', ' ', 'ß', '1'), minLength: 1, maxLength: 5 })
    .map((text) => `x${text.trim()}`);
  const rows = fc.array(fc.tuple(cell, cell), { minLength: 2, maxLength: 6 });
  fc.assert(
    fc.property(
      rows,
      fc.constantFrom(',', ';', '\t'),
      fc.constantFrom('\n', '\r\n', '\r', 'mixed'),
      fc.boolean(),
      (cells, delimiter, end, says) => {
        const ends = ['\n', '\r\n', '\r'];
        const lines = cells.map(([a, b], i) => ['https://media.example/' + String(i), a, b].join(delimiter));
        const text =
          ['link', 'title', 'caption'].join(delimiter) +
          lines.map((line, i) => (end === 'mixed' ? ends[i % 3]! : end) + line).join('');
        const whole = says && delimiter !== '\t' ? `sep=${delimiter}\r\n${text}` : text;
        const expected = cells.map(([a, b], i) => [`https://media.example/${i}`, a, b]);
        for (const bytes of [
          bytesOf(whole, 'utf8'),
          bytesOf(`\uFEFF${whole}`, 'utf8'),
          bytesOf(`\uFEFF${whole}`, 'utf16le'),
          swapped(bytesOf(`\uFEFF${whole}`, 'utf16le')),
          bytesOf(whole, 'utf16le'),
          bytesOf(whole, 'latin1'),
        ])
          expect(readTable(textOf(bytes).text).rows).toEqual(expected);
      },
    ),
    runs(300),
  );
});

test('what was guessed is said', () => {
  expect(textOf(bytesOf('Mühle', 'latin1'))).toEqual({ text: 'Mühle', encoding: 'windows-1252', guessed: true });
  expect(textOf(bytesOf('Mühle', 'utf8'))).toMatchObject({ encoding: 'utf-8', guessed: false });
});

test('a table of very many rows is read', () => {
  const rows = readTable(`link,title\n${'https://media.example/a,T\n'.repeat(140_000)}`).rows;
  expect(rows).toHaveLength(140_000);
});

test('columns may have names that every object has', () => {
  expect(readTable('constructor,link,toString\na,https://media.example/a,b\n').rows).toHaveLength(1);
});
