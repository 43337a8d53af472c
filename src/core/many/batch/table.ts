import Papa from 'papaparse';
import { read } from '../../steps/read/read.ts';
import { readFeed } from './feed.ts';

/** A text as rows of cells. The first row is `head` where it names the columns. */
export interface Table {
  from: 'table' | 'feed' | 'text';
  head: string[] | null;
  rows: string[][];
  /** Between the cells, as it was found; what is written out again uses the same. */
  delimiter: string;
}

const DELIMITERS = ['\t', ';', ',', '|'];
/** Share of the rows that must have as many cells as the first for the text to be a table. */
const EVEN = 0.6;
/** Every row is filled up to the widest, so one long line could ask for more memory than there is; its rest is one cell. */
const MOST_CELLS = 2_000_000;
const LEAST_COLUMNS = 12;
/** A cell that is a link or a code, and nothing besides. */
const LINK = /^\s*(?:https?:\/\/\S+|<[^]*>|\[[^]*\])\s*$/i;
const NAMES_LINKS = /^\s*(?:link|url|share link|embed code)\s*$/i;

/** Links, prose, codes, CSV, cells of a spreadsheet, or a feed: whatever it is, as rows. */
export function readTable(text: string): Table {
  const bare = text.replace(/^\uFEFF/, '');
  const feed = readFeed(bare);
  if (feed) return { from: 'feed', ...feed, delimiter: ',' };
  return readCells(bare) ?? { from: 'text', head: null, rows: linksOf(bare), delimiter: ',' };
}

/** CSV (RFC 4180), or what a spreadsheet copies; null where the text is no table. */
function readCells(text: string): Table | null {
  // Code begins with a tag; in a table its cells stand in quotes.
  if (/^\s*</.test(text)) return null;
  // Some spreadsheets say in a first line what stands between the cells.
  const said = /^sep=(.)[ \t]*(?:\r\n?|\n)/i.exec(text);
  const { data, meta } = Papa.parse<string[]>(oneLineEnd(text.slice(said?.[0].length ?? 0)), {
    skipEmptyLines: 'greedy',
    newline: '\n',
    delimitersToGuess: DELIMITERS,
    ...(said && { delimiter: said[1]! }),
  });
  const [first] = data;
  if (!first) return null;
  const named = !first.some((cell) => LINK.test(cell)) && first.every((cell) => cell.length < 60);
  const linked = named && first.some((cell) => NAMES_LINKS.test(cell));
  const even = data.filter((row) => row.length === first.length).length / data.length;
  const wide =
    first.length > 1 &&
    (linked || (even >= EVEN && data.some((row, i) => (i > 0 || !named) && row.some((cell) => LINK.test(cell)))));
  const narrow = first.length === 1 && named && data.length > 1 && data.slice(1).every(([cell]) => LINK.test(cell ?? ''));
  if (!wide && !narrow) return null;
  const { delimiter } = meta;
  const widest = data.reduce((most, row) => Math.max(most, row.length), 0);
  const width = Math.min(widest, Math.max(LEAST_COLUMNS, Math.floor(MOST_CELLS / data.length)));
  const filled = (row: string[]): string[] =>
    row.length > width
      ? [...row.slice(0, width - 1), row.slice(width - 1).join(delimiter)]
      : [...row, ...Array<string>(width - row.length).fill('')];
  return {
    from: 'table',
    head: named ? filled(first) : null,
    rows: (named ? data.slice(1) : data).map(filled),
    delimiter,
  };
}

/** Lines that end in one way; what stands in quotes keeps its own (RFC 4180, section 2). */
function oneLineEnd(text: string): string {
  if (!text.includes('\r')) return text;
  return text.replace(/"(?:[^"]|"")*"|\r\n?/g, (part) => (part.startsWith('"') ? part : '\n'));
}

/** One row for each thing in the text that may be embedded. */
function linksOf(text: string): string[][] {
  return read(text).map(({ range }) => [text.slice(...range)]);
}

/** The table as CSV that spreadsheets and RFC 4180 agree on: quoted where needed, lines ended by CR LF, a byte order mark first. */
export const writeTable = (
  head: readonly string[],
  rows: readonly (readonly string[])[],
  { delimiter, from }: Written,
): string => {
  // A spreadsheet reckons what begins with a sign of equality; a feed is somebody else's, so that it gets none to reckon.
  const style = { delimiter, newline: '\r\n', escapeFormulae: from === 'feed' };
  return `\uFEFF${Papa.unparse([[...head], ...rows.map((row) => [...row])], style)}\r\n`;
};

type Written = Pick<Table, 'delimiter' | 'from'>;
