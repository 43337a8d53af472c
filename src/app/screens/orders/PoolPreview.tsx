import { useMemo, type ReactElement } from 'react';
import { entryOfEmbed } from '../../../core/keeping/shelf/asEntry.ts';
import type { SavedEmbed } from '../../../core/keeping/shelf/saved.ts';
import { newOrder } from '../../../core/order/order.ts';
import { pageOf } from '../../../core/order/page/page.ts';
import { selectBook, selectSite } from '../../state/selectors.ts';
import { useAppSelector } from '../../state/store.ts';
import { OrderPreview } from './OrderPreview.tsx';

/** One embed of the pool as the page would play it. */
export function PoolPreview({ embed }: { embed: SavedEmbed }): ReactElement | null {
  const book = useAppSelector(selectBook);
  const site = useAppSelector(selectSite);
  const order = useMemo(() => {
    const entry = entryOfEmbed(embed);
    return entry && newOrder(embed.id, { name: embed.title, layout: 'one', entries: [entry] });
  }, [embed]);
  const page = useMemo(() => (order && site ? pageOf(order, { book, site }) : null), [order, book, site]);
  return order && page ? <OrderPreview order={order} page={page} /> : null;
}
