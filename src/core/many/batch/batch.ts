import { recogniseColumns } from './columns.ts';
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
  const made = table.rows.map((row, i) => {
    const cells = readCells(row, roles, settings.sites);
    const answer = known.get(i) ?? UNASKED;
    return makeRow(withPlayer(workOf(`${id}-${i + 1}`, cells, settings), answer, settings), cells, answer.facts, settings);
  });
  return { table, made };
}

export const UNASKED: Answer = { facts: {} };
