import { useEffect, useRef, type ReactElement } from 'react';
import { useStore } from 'react-redux';
import type { Order } from '../../../core/order/order.ts';
import { orderForm } from '../../../core/order/forms/list.ts';
import type { OrderPage } from '../../../core/order/page/page.ts';
import { looksOf } from '../../preview.ts';
import { openStage } from '../../proof/stage.ts';
import { selectSite } from '../../state/selectors.ts';
import { useAppSelector, type Store } from '../../state/store.ts';

/** Milliseconds without a change after which the page is loaded anew. */
const QUIET = 600;
const BARE = { heading: '', before: '', caption: '', after: '' };

/** The page as visitors get it, in the preview's own origin. */
export function OrderPreview({ order, page }: { order: Order; page: OrderPage }): ReactElement {
  const store = useStore() as Store;
  const holder = useRef<HTMLDivElement>(null);
  const night = useAppSelector((state) => state.view.theme === 'night');
  const code = orderForm('whole').write(order, page, '');
  useEffect(() => {
    const timer = setTimeout(() => {
      const site = selectSite(store.getState());
      if (!site) return;
      stage.current?.close();
      stage.current = openStage({
        holder: holder.current!,
        looks: { ...looksOf(site, night), column: 1400, sample: BARE },
        player: undefined,
      });
      void stage.current.show(code, true, () => undefined);
    }, QUIET);
    return () => clearTimeout(timer);
  }, [code, store, night]);
  const stage = useRef<ReturnType<typeof openStage> | null>(null);
  useEffect(() => () => stage.current?.close(), []);
  return (
    <div
      ref={holder}
      className="order-preview min-h-[420px] flex-1 [&>iframe]:size-full [&>iframe]:min-h-[inherit] [&>iframe]:border [&>iframe]:border-hair"
    />
  );
}
