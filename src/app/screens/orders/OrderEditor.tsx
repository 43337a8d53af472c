import { Button } from '@mui/material';
import { useDeferredValue, useMemo, useState, type ReactElement } from 'react';
import { useNavigate } from 'react-router';
import { orderSchema, withNews, type Order } from '../../../core/order/order.ts';
import { pageOf } from '../../../core/order/page/page.ts';
import { LAYOUT_WORDS, LOOP_WORDS, sayNews } from '../../../messages/order.ts';
import { selectBook, selectSite } from '../../state/selectors.ts';
import { useAppDispatch, useAppSelector } from '../../state/store.ts';
import { removeOrder, saveOrder } from '../../storage/orders.ts';
import { Choice } from '../../ui/Choice.tsx';
import { useKeptDraft } from '../../ui/useKeptDraft.ts';
import { AddEntries } from './AddEntries.tsx';
import { Entries } from './Entries.tsx';
import { fetchFeed } from './fetchFeed.ts';
import { OrderOut } from './OrderOut.tsx';
import { OrderPreview } from './OrderPreview.tsx';

const checkOrder = (draft: Order): Order | undefined => orderSchema.safeParse(draft).data;

/** One running order: its entries, how they are played, the page as it is, and what is taken away. Kept by itself. */
export function OrderEditor({ order }: { order: Order }): ReactElement {
  const navigate = useNavigate();
  const book = useAppSelector(selectBook);
  const site = useAppSelector(selectSite);
  const { draft, change: alter, state, undo } = useKeptDraft(order, { check: checkOrder, keep: (one) => void saveOrder(one) });
  const change = (part: Partial<Order>): void => alter((before) => ({ ...before, ...part }));
  const shown = useDeferredValue(draft);
  const page = useMemo(() => (site ? pageOf(shown, { book, site }) : null), [shown, book, site]);
  return (
    <>
      <section className="order" aria-label="The running order">
        <header>
          <label>
            Name <input value={draft.name} onChange={({ target }) => change({ name: target.value })} />
          </label>
          <span className="quiet" role="status">
            {state === 'kept' ? 'Kept' : 'Keeping …'}
          </span>
          <Button disabled={!undo} onClick={() => undo?.()}>
            Undo the last change
          </Button>
          <Button onClick={() => void removeOrder(order.id).then(() => navigate('/orders'))}>Remove</Button>
        </header>
        <News order={draft} take={alter} />
        <AddEntries
          told={(id, facts) =>
            alter((before) => ({
              ...before,
              entries: before.entries.map((one) => (one.id === id && one.title === '' ? { ...one, ...facts } : one)),
            }))
          }
          add={(more) => alter((before) => ({ ...before, entries: [...before.entries, ...more] }))}
          entries={draft.entries}
        />
        <Entries entries={draft.entries} notes={page?.notes ?? []} set={(entries) => change({ entries })} />
      </section>
      <section className="order-page" aria-label="The page">
        <div className="order-how">
          <Choice label="Layout" value={draft.layout} words={LAYOUT_WORDS} change={(layout) => change({ layout })} />
          <Choice label="At the end" value={draft.loop} words={LOOP_WORDS} change={(loop) => change({ loop })} />
          <label className="tick">
            <input type="checkbox" checked={draft.continuous} onChange={({ target }) => change({ continuous: target.checked })} />
            Goes on by itself
          </label>
          <label className="tick">
            <input type="checkbox" checked={draft.download} onChange={({ target }) => change({ download: target.checked })} />
            Files can be saved
          </label>
        </div>
        {page && <OrderOut order={draft} html={page.html} />}
        {page && <OrderPreview order={shown} html={page.html} />}
      </section>
    </>
  );
}

/** What its feed has that was never looked at. */
function News({ order, take }: { order: Order; take: (to: (before: Order) => Order) => void }): ReactElement | null {
  const dispatch = useAppDispatch();
  const [said, setSaid] = useState('');
  if (order.feed === undefined) return null;
  const look = async (): Promise<void> => {
    setSaid('The feed is being fetched …');
    const answer = await fetchFeed(dispatch, order.feed!);
    if ('why' in answer) return setSaid(answer.why);
    const { readOrder } = await import('../../../core/order/formats/list.ts');
    const found = readOrder(answer.text, answer.address);
    if (!found) return setSaid('There is no feed at its address any more.');
    setSaid(sayNews(withNews(order, found).added));
    take((before) => withNews(before, found).order);
  };
  return (
    <p className="order-news">
      <Button variant="outlined" onClick={() => void look()}>
        What is new
      </Button>{' '}
      <span role="status">{said}</span> <small className="quiet">{order.feed}</small>
    </p>
  );
}
