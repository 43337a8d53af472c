import { own } from '../../model/own.ts';
import type { Item } from '../../model/item.ts';
import type { HostBook } from './book.ts';
import type { Target } from './card.ts';

export type Access = Target['access'][number];

/** The conditions of access that the item's card tells for it. */
export function accessOf({ host, target, captures }: Item, book: HostBook): Access[] {
  const found = host === null ? undefined : book.byId.get(host)?.targets.get(target ?? '')?.target.access;
  return (found ?? []).filter(
    ({ only }) => !only || Object.entries(only).every(([name, values]) => values.includes(own(captures, name) ?? '')),
  );
}
