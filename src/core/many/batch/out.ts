import { fileOf } from '../kit/codeFile.ts';
import type { RowOut } from './row.ts';
import { writeTable, type Table } from './table.ts';

/** The table that came in, with the code of each row, its state in words, and what was found, in three columns more. */
export function tableWithCodes(
  { head, rows, delimiter, from }: Table,
  out: readonly RowOut[],
  words: Readonly<Record<RowOut['state'], string>>,
): string {
  const width = head?.length ?? rows[0]?.length ?? 1;
  const names = head ?? Array.from({ length: width }, (_, i) => (i === 0 ? 'link' : `column ${i + 1}`));
  const cells = out.map(({ code, state, told }, i) => [
    ...(rows[i] ?? []),
    notReckoned(code),
    words[state],
    notReckoned(told.join('\n')),
  ]);
  return writeTable([...names, 'embed code', 'state', 'findings'], cells, { delimiter, from });
}

/** What was made of the words of others begins with nothing that a spreadsheet would reckon out. */
const notReckoned = (text: string): string => (/^[=+\-@\t\r]/.test(text) ? `'${text}` : text);

/** One file for each row that has code: its number, its title, and the ending of its form. */
export function filesOfCodes(out: readonly RowOut[]): Record<string, string> {
  const digits = String(out.length).length;
  return Object.fromEntries(
    out.flatMap(({ code, title, form }, i): [string, string][] => {
      if (code === '') return [];
      const [name, text] = fileOf({ form, text: `${code}\n` }, title);
      return [[`${String(i + 1).padStart(digits, '0')}-${name}`, text]];
    }),
  );
}

const escaped = (text: string): string => text.replaceAll('&', '&amp;').replaceAll('<', '&lt;');

/** All codes in one page, each under its title. */
export function pageOfCodes(out: readonly RowOut[], title: string): string {
  const parts = out
    .filter(({ code }) => code !== '')
    .map((row) => `<section>\n<h2>${escaped(row.title)}</h2>\n${row.code}\n</section>`);
  return `<!doctype html>\n<html lang="en">\n<head>\n<meta charset="utf-8">\n<meta name="viewport" content="width=device-width">\n<title>${escaped(title)}</title>\n</head>\n<body>\n<h1>${escaped(title)}</h1>\n${parts.join('\n')}\n</body>\n</html>\n`;
}
