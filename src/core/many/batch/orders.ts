import { entryOfEmbed } from '../../keeping/shelf/asEntry.ts';
import { MOST_ENTRIES, newOrder, type Entry, type Order } from '../../order/order.ts';
import type { MadeRow } from './row.ts';

/** The item of a row as an entry, with what is known of it already; null where nothing is recognised. */
function entryFor({ made, clip }: MadeRow, before: Entry | undefined): Entry | null {
  const now = entryOfEmbed(made);
  return now && { ...now, chapters: before?.chapters ?? [], transcript: before?.transcript ?? [], ...clip };
}

/**
 * The running orders that rows name, with what those rows are: new ones, or those of that name with what they do not have
 * yet. A row that stands in it already from an earlier time is put in its place anew.
 * @param newId gives the id of a new running order
 */
export function filledOrders(rows: readonly MadeRow[], orders: readonly Order[], newId: () => string): Order[] {
  const names = new Set(rows.map(({ order }) => order).filter((name) => name !== ''));
  return [...names].map((name) => {
    const before = orders.find((one) => one.name === name) ?? newOrder(newId(), { name });
    const entries = new Map(before.entries.map((entry) => [entry.id, entry]));
    for (const row of rows.filter(({ order }) => order === name)) {
      const entry = entryFor(row, entries.get(row.made.id));
      if (entry) entries.set(entry.id, entry);
    }
    return { ...before, entries: [...entries.values()].slice(0, MOST_ENTRIES) };
  });
}
