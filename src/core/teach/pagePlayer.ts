import type { HostBook } from '../known/hosts/book.ts';
import type { Item } from '../model/item.ts';
import { domainOf, splitUrl } from '../model/url.ts';
import { bringIn } from '../pipeline.ts';

/** A player that the page of a link names. */
export interface PagePlayer {
  item: Item;
  /** The host of the player, where nothing but the page says that it is the right one; null where it is to be expected. */
  elsewhere: string | null;
}

/**
 * The player that a page names, as a code or an address; null where nothing can be made of it. A page may say anything:
 * to be expected is a player of the card that has the page asked, of any card where none has, and of the page's own domain.
 */
export function playerOf(text: string, page: Pick<Item, 'canonical' | 'asks'>, book: HostBook): PagePlayer | null {
  const item = bringIn(text, book).find((one) => one.item)?.item;
  if (!item) return null;
  const host = hostOf(item.frame ?? item.canonical);
  const card = item.host === null ? undefined : book.byId.get(item.host)?.card;
  const expected =
    page.asks === undefined
      ? card !== undefined || domainOf(host) === domainOf(hostOf(page.canonical))
      : card?.name === page.asks;
  return { item, elsewhere: expected ? null : host };
}

const hostOf = (address: string): string => splitUrl(address)?.host ?? '';
