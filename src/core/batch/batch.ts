import { recogniseColumns } from './columns.ts';
import { makeRow, readCells, workOf, type BatchSettings, type MadeRow } from './row.ts';
import { readTable, type Table } from './table.ts';

/** A text with many links, all of it made at once. The ids of the rows begin with `id`. */
export function makeBatch(text: string, id: string, settings: BatchSettings): { table: Table; made: MadeRow[] } {
  const table = readTable(text);
  const roles = recogniseColumns(table);
  const made = table.rows.map((row, i) => {
    const cells = readCells(row, roles, settings.sites);
    return makeRow(workOf(`${id}-${i + 1}`, cells, settings), cells, {}, settings);
  });
  return { table, made };
}
