import { recogniseColumns, type Role } from './columns.ts';
import { makeRow, readCells, withPlayer, workOf, type Answer, type BatchSettings, type MadeRow } from './row.ts';
import { readTable, type Table } from './table.ts';

/** A text with many links, all of it made at once, with what hosts said of some rows. The ids of the rows begin with `id`. */
export function makeBatch(
  text: string,
  id: string,
  settings: BatchSettings,
  known: ReadonlyMap<number, Answer> = new Map(),
): { table: Table; made: MadeRow[] } {
  const table = readTable(text);
  const roles = recogniseColumns(table);
  return { table, made: makeRows({ rows: table.rows, roles, first: 0 }, id, settings, known) };
}

/** Some rows of a table on end, and what its columns are. */
export interface SomeRows {
  rows: readonly (readonly string[])[];
  roles: readonly (Role | null)[];
  /** The number of the first one in the table, from 0. */
  first: number;
}

/** The rows made; each is numbered, and known, by its place in the table. */
export const makeRows = (
  { rows, roles, first }: SomeRows,
  id: string,
  settings: BatchSettings,
  known: ReadonlyMap<number, Answer> = new Map(),
): MadeRow[] =>
  rows.map((row, i) => {
    const cells = readCells(row, roles, settings);
    const answer = known.get(first + i) ?? UNASKED;
    const work = withPlayer(workOf(`${id}-${first + i + 1}`, cells, settings), answer, settings);
    return makeRow(work, cells, answer.facts, settings);
  });

/** The rows of a text in runs of so many at most, for work that is shared out. */
export function splitRows(text: string, most: number): SomeRows[] {
  const table = readTable(text);
  const roles = recogniseColumns(table);
  const starts = Array.from({ length: Math.ceil(table.rows.length / most) }, (_, i) => i * most);
  return starts.map((first) => ({ rows: table.rows.slice(first, first + most), roles, first }));
}

export const UNASKED: Answer = { facts: {} };
