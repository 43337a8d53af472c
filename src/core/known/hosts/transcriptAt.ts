import type { Item } from '../../model/item.ts';
import type { HostBook } from './book.ts';

/** Where what is said in an item can be had, by its card; null where the card does not say. */
export function transcriptAt(
  { host, target, captures }: Pick<Item, 'host' | 'target' | 'captures'>,
  book: HostBook,
): string | null {
  const template = host === null ? null : book.byId.get(host)?.targets.get(target ?? '')?.transcript;
  return template?.(captures) ?? null;
}
