import { useLiveQuery } from 'dexie-react-hooks';
import type { ReactElement } from 'react';
import type { Order } from '../../../core/order/order.ts';
import { findOrder, savePlaced } from '../../storage/orders.ts';
import { Placements } from '../../ui/Placements.tsx';
import { showMoment, t } from '../../../messages/t.ts';

interface Props {
  order: Order;
  goBack: (order: Order) => void;
}

/** Where a running order stands, and as what it was taken away. */
export function OrderKept({ order, goBack }: Props): ReactElement | null {
  const kept = useLiveQuery(() => findOrder(order.id), [order.id]);
  if (!kept) return null;
  return (
    <details className="order-kept [&_.inline-remedy]:text-small">
      <summary>{t('Where it stands, and its versions')}</summary>
      <h3>{t('Placed on')}</h3>
      <Placements placed={kept.placed} set={(placed) => void savePlaced(order.id, placed)} />
      <h3>{t('Versions')}</h3>
      {kept.versions.length === 0 && <p className="text-quiet">{t('The code was not copied yet.')}</p>}
      <ul className="detail-list">
        {kept.versions.map(({ taken, order: was }) => (
          <li key={taken}>
            <span>{showMoment(taken)}</span>
            <small>{t('{count, plural, one {# entry} other {# entries}}', { count: was.entries.length })}</small>
            <button type="button" className="inline-remedy" onClick={() => goBack(was)}>
              {t('Go back to it')}
            </button>
          </li>
        ))}
      </ul>
    </details>
  );
}
