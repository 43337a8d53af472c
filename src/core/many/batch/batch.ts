import type { Facts } from '../../model/item.ts';
import { recogniseColumns } from './columns.ts';
import { makeRow, readCells, workOf, type BatchSettings, type MadeRow } from './row.ts';
import { readTable, type Table } from './table.ts';

/** A text with many links, all of it made at once, with what hosts said of some rows. The ids of the rows begin with `id`. */
export function makeBatch(
  text: string,
  id: string,
  settings: BatchSettings,
  known: ReadonlyMap<number, Facts> = new Map(),
): { table: Table; made: MadeRow[] } {
  const table = readTable(text);
  const roles = recogniseColumns(table);
  const made = table.rows.map((row, i) => {
    const cells = readCells(row, roles, settings.sites);
    return makeRow(workOf(`${id}-${i + 1}`, cells, settings), cells, known.get(i) ?? {}, settings);
  });
  return { table, made };
}

/** Whether the host of a row can be asked what it is (oEmbed 1.0). */
export const canBeAsked = (host: string, { book }: BatchSettings): boolean => book.byId.get(host)?.card.oembed !== undefined;
