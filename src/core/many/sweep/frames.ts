import { bringIn, reachAddress } from '../../pipeline.ts';
import type { SweptEmbed } from './found.ts';
import type { SweepSettings } from './change.ts';

/** A frame address that a host is to be asked for, and the share link of the item that it shows. */
export interface FrameAsked {
  link: string;
  item: string;
}

/** The frame addresses of all items of a sweep, each item once. */
export function framesOf(embeds: readonly SweptEmbed[], { book, site }: Pick<SweepSettings, 'book' | 'site'>): FrameAsked[] {
  const byItem = new Map<string, FrameAsked>();
  for (const { item, host, frame } of embeds) {
    if (frame === null || byItem.has(item)) continue;
    const known = host === null ? undefined : bringIn(item, book)[0]?.item;
    // Where no card knows the host, the address with all of its parameters is the item.
    byItem.set(item, { link: known ? (reachAddress(known, {}, { book, site }) ?? frame) : item, item });
  }
  return [...byItem.values()];
}
