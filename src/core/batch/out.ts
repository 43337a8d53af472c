import { fileOf } from '../kit/codeFile.ts';
import type { MadeRow } from './row.ts';
import { writeTable, type Table } from './table.ts';

/** Words for people, which the core has none of. */
export interface Saying {
  state: (row: MadeRow) => string;
  /** Everything that somebody should know of a row, one sentence each. */
  told: (row: MadeRow) => string[];
}

/** The table that came in, with the code of each row, its state, and what was found, in three columns more. */
export function tableOut({ head, rows, delimiter }: Table, made: readonly MadeRow[], say: Saying): string {
  const width = head?.length ?? rows[0]?.length ?? 1;
  const names = head ?? Array.from({ length: width }, (_, i) => (i === 0 ? 'link' : `column ${i + 1}`));
  const out = made.map((row, i) => [...(rows[i] ?? []), row.made.code, say.state(row), say.told(row).join('\n')]);
  return writeTable([...names, 'embed code', 'state', 'findings'], out, delimiter);
}

/** One file for each row that has code: its number, its title, and the ending of its form. */
export function filesOut(made: readonly MadeRow[]): Record<string, string> {
  const digits = String(made.length).length;
  return Object.fromEntries(
    made.flatMap(({ made: { code, title, work } }, i): [string, string][] => {
      if (code === '') return [];
      const [name, text] = fileOf({ form: work.form, text: `${code}\n` }, title);
      return [[`${String(i + 1).padStart(digits, '0')}-${name}`, text]];
    }),
  );
}

const escaped = (text: string): string => text.replaceAll('&', '&amp;').replaceAll('<', '&lt;');

/** All codes in one page, each under its title. */
export function pageOut(made: readonly MadeRow[], title: string): string {
  const parts = made
    .filter(({ made: { code } }) => code !== '')
    .map(({ made: one }) => `<section>\n<h2>${escaped(one.title)}</h2>\n${one.code}\n</section>`);
  return `<!doctype html>\n<html lang="en">\n<head>\n<meta charset="utf-8">\n<meta name="viewport" content="width=device-width">\n<title>${escaped(title)}</title>\n</head>\n<body>\n<h1>${escaped(title)}</h1>\n${parts.join('\n')}\n</body>\n</html>\n`;
}
