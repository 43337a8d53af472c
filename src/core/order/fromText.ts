import type { HostBook } from '../known/hosts/book.ts';
import { bringIn } from '../pipeline.ts';
import type { Entry } from './order.ts';
import { isStream } from './plays.ts';

/** What can stand in a running order of a text with links: its address, and the clip that its link asks for. */
export type LinkFound = Pick<Entry, 'address' | 'from' | 'until'>;

/** The links of a text, items of hosts, files, and streams, which no single embed plays. */
export function fromText(text: string, book: HostBook): LinkFound[] {
  return bringIn(text, book).flatMap(({ item, candidate: { address } }): LinkFound[] => {
    if (!item) return address !== null && URL.canParse(address) && isStream({ address }) ? [{ address }] : [];
    const { start, end } = item.settings;
    return [
      {
        address: item.canonical,
        ...(typeof start === 'number' && { from: start }),
        ...(typeof end === 'number' && { until: end }),
      },
    ];
  });
}
