import { useLiveQuery } from 'dexie-react-hooks';
import type { ReactElement } from 'react';
import { Link } from 'react-router';
import { listOrders } from '../../storage/orders.ts';
import { t } from '../../../messages/t.ts';

/** Running orders whose name, or what is in them, has these words; nothing where there is none. */
export function ShelfOrders({ text }: { text: string }): ReactElement | null {
  const kept = useLiveQuery(listOrders);
  const words = text
    .toLowerCase()
    .split(/\s+/)
    .filter((word) => word !== '');
  const found = (kept?.orders ?? []).filter(({ order: { name, entries } }) => {
    const all = [name, ...entries.map(({ title }) => title)].join(' ').toLowerCase();
    return words.every((word) => all.includes(word));
  });
  if (found.length === 0) return null;
  return (
    <nav className="line gap-x-4 gap-y-1 py-1 area-[orders] [&_a]:text-ink" aria-label={t('Running orders')}>
      {t('Running orders:')}{' '}
      {found.slice(0, 12).map(({ order: { id, name, entries } }) => (
        <Link key={id} to={`/orders/${id}`}>
          {name || t('Without a name')} <small className="tabular-nums">{entries.length}</small>
        </Link>
      ))}
      {found.length > 12 && <Link to="/orders">{t('{count} more', { count: found.length - 12 })}</Link>}
    </nav>
  );
}
