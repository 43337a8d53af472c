import { Button } from '@mui/material';
import { useDeferredValue, useMemo, useState, type ReactElement } from 'react';
import { useStore } from 'react-redux';
import { useNavigate } from 'react-router';
import { namesMore, orderSchema, withNews, type Entry, type Order } from '../../../core/order/order.ts';
import { pageOf } from '../../../core/order/page/page.ts';
import { LAYOUT_WORDS, LOOP_WORDS, sayFetched, sayNews, VOLUME_WORDS } from '../../../messages/order.ts';
import { selectBook, selectSite } from '../../state/selectors.ts';
import { useAppDispatch, useAppSelector, type Store } from '../../state/store.ts';
import { removeOrder } from '../../state/removing.ts';
import { saveOrder } from '../../storage/orders.ts';
import { Choice } from '../../ui/Choice.tsx';
import { useKeptDraft } from '../../ui/useKeptDraft.ts';
import { AddEntries } from './AddEntries.tsx';
import { Entries } from './Entries.tsx';
import { fetchFeed } from './fetchFeed.ts';
import { OrderChecks } from './OrderChecks.tsx';
import { OrderOut } from './OrderOut.tsx';
import { OrderPreview } from './OrderPreview.tsx';
import { OrderProof } from './OrderProof.tsx';

const checkOrder = (draft: Order): Order | undefined => orderSchema.safeParse(draft).data;

/** One running order: its entries, how they are played, the page as it is, and what is taken away. Kept by itself. */
export function OrderEditor({ order }: { order: Order }): ReactElement {
  const navigate = useNavigate();
  const store = useStore() as Store;
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
          <Button onClick={() => void removeOrder(store, order).then(() => navigate('/orders'))}>Remove</Button>
        </header>
        <News order={draft} take={alter} />
        <Named entries={draft.entries} take={alter} />
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
        <Entries
          entries={draft.entries}
          notes={page?.played.map(({ notes }) => notes) ?? []}
          set={(entries) => change({ entries })}
        />
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
          <label className="tick">
            <input type="checkbox" checked={draft.autoplay} onChange={({ target }) => change({ autoplay: target.checked })} />
            Begins by itself, without sound
          </label>
          <Choice
            label="Volume"
            value={String(Math.round(draft.volume * 4) * 25)}
            words={VOLUME_WORDS}
            change={(volume) => change({ volume: Number(volume) / 100 })}
          />
          <label className="choice">
            Shown first{' '}
            <select value={draft.first} onChange={({ target }) => change({ first: Number(target.value) })}>
              {draft.entries.slice(0, 200).map(({ id, title, address }, i) => (
                <option key={id} value={i}>
                  {i + 1}. {title || address}
                </option>
              ))}
            </select>
          </label>
          <label className="tick">
            <input
              type="checkbox"
              checked={draft.accent !== undefined}
              onChange={({ target }) => change({ accent: target.checked ? (site?.palette[0]?.colour ?? '#000000') : undefined })}
            />
            Accent colour{' '}
            {draft.accent !== undefined && (
              <input
                type="color"
                aria-label="Accent colour"
                value={draft.accent}
                onChange={({ target }) => change({ accent: target.value })}
              />
            )}
          </label>
        </div>
        {page && site && <OrderOut order={shown} page={page} site={site} />}
        {page && site && <OrderChecks order={shown} page={page} site={site} change={alter} />}
        {site && shown.entries.length > 0 && <OrderProof key={shown.id} order={shown} site={site} />}
        {page && <OrderPreview order={shown} page={page} />}
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

/** Transcripts and chapters that the feed only names, fetched on request. */
function Named({
  entries,
  take,
}: {
  entries: readonly Entry[];
  take: (to: (before: Order) => Order) => void;
}): ReactElement | null {
  const dispatch = useAppDispatch();
  const [said, setSaid] = useState('');
  const waiting = entries.filter(namesMore).length;
  const bring = async (): Promise<void> => {
    setSaid('They are being fetched …');
    const { fetchWords, withWords } = await import('../../../core/order/cues/named.ts');
    const found = await fetchWords(entries, async (address) => {
      const answer = await fetchFeed(dispatch, address);
      return 'why' in answer ? null : answer.text;
    });
    setSaid(sayFetched(found.size, waiting));
    take((before) => ({ ...before, entries: withWords(before.entries, found) }));
  };
  if (waiting === 0 && said === '') return null;
  return (
    <p className="order-news">
      {waiting > 0 && (
        <Button variant="outlined" onClick={() => void bring()}>
          Bring in the transcripts and chapters of {waiting === 1 ? '1 entry' : `${waiting} entries`}
        </Button>
      )}{' '}
      <span role="status">{said}</span>
    </p>
  );
}
