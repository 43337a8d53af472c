import { Batch, Connect, Help, HostBook, Orders, Shelf, Sites, Sweep } from './screens/late.ts';

/** By the first part of the address. */
const screens = new Map<string, { load: () => Promise<unknown> }>(
  Object.entries({
    shelf: Shelf,
    batch: Batch,
    sweep: Sweep,
    orders: Orders,
    sites: Sites,
    hosts: HostBook,
    connect: Connect,
    help: Help,
  }),
);

/**
 * Once the screen that the address asks for is there, which is fetched while everything else is still being set up. What
 * stands in for a screen would be left for a third of a second before the screen itself is drawn.
 */
export const ready = Promise.resolve(screens.get(location.pathname.split('/')[1] ?? '')?.load());
