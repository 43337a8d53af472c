import type { SavedEmbed } from './saved.ts';
import { entryOf, type Entry } from '../../order/order.ts';

/** An embed of the Shelf as an entry, cut as it was set; null where nothing was recognised in it. */
export function entryOfEmbed(embed: Pick<SavedEmbed, 'id' | 'title' | 'item' | 'facts' | 'work'>): Entry | null {
  const { id, title, item, facts, work } = embed;
  const { start, end } = work.changes;
  return entryOf({
    id,
    address: item,
    title,
    author: facts.author ?? '',
    seconds: facts.duration,
    from: typeof start === 'number' ? start : undefined,
    until: typeof end === 'number' ? end : undefined,
  });
}
