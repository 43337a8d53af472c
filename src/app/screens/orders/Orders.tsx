import { Button } from '@mui/material';
import { useLiveQuery } from 'dexie-react-hooks';
import { useState, type ReactElement } from 'react';
import { NavLink, useNavigate, useParams } from 'react-router';
import { newOrder, orderSchema, type Order } from '../../../core/order/order.ts';
import { readJson } from '../../../core/model/json.ts';
import { sayFound } from '../../../messages/order.ts';
import { useAppDispatch } from '../../state/store.ts';
import { listOrders, saveOrder } from '../../storage/orders.ts';
import { TextFileButton } from '../../fields/FileButton.tsx';
import { fetchFeed } from '../../state/fetchFeed.ts';
import { OrderEditor } from './OrderEditor.tsx';
import { t } from '../../../messages/t.ts';
import { WordsField } from '../../fields/WordsField.tsx';

/** Several items as one: put in order, clipped, and played by one page. */
export function Orders(): ReactElement {
  const { id } = useParams();
  const kept = useLiveQuery(listOrders);
  const order = kept?.orders.find((one) => one.order.id === id)?.order;
  return (
    <div className="orders grid h-full grid-cols-[220px_minmax(0,2fr)_minmax(0,3fr)] *:min-w-0 *:overflow-auto *:p-4 max-[1001px]:block max-[1001px]:overflow-auto max-[1001px]:*:overflow-visible">
      <nav className="side-list" aria-label={t('Running orders')}>
        <h1>{t('Running orders')}</h1>
        <Begin />
        <ul>
          {kept?.orders.map(({ order: one }) => (
            <li key={one.id}>
              <NavLink to={`/orders/${one.id}`}>
                {one.name || t('Without a name')} <small className="text-quiet">{one.entries.length}</small>
              </NavLink>
            </li>
          ))}
        </ul>
        {kept && kept.unreadable > 0 && (
          <p className="wrong">
            {t('{unreadable} cannot be read by this version, and are kept as they are.', { unreadable: kept.unreadable })}
          </p>
        )}
      </nav>
      {order ? (
        <OrderEditor key={order.id} order={order} />
      ) : (
        <section className="col-[2_/_-1] max-w-[70ch]" aria-label={t('What they are for')}>
          {id !== undefined && kept && <p className="wrong">{t('There is no running order at this address.')}</p>}
          <p>
            {t(
              'A running order plays several items as one: a lecture series beside its list, a podcast from its feed, clips of several hosts one after the other. It is one page without dependencies, which asks for nothing before a visitor presses.',
            )}
          </p>
          <p>{t('Begin with an empty one and paste links into it, or bring a feed or a playlist in.')}</p>
        </section>
      )}
    </div>
  );
}

/** An empty one, or what a feed or a file holds. */
function Begin(): ReactElement {
  const navigate = useNavigate();
  const dispatch = useAppDispatch();
  const [address, setAddress] = useState('');
  const [said, setSaid] = useState('');
  const keep = async (order: Order): Promise<void> => {
    await saveOrder(order);
    await navigate(`/orders/${order.id}`);
  };
  const fresh = (given: Parameters<typeof newOrder>[1] = {}): Order => newOrder(crypto.randomUUID(), given);
  const bring = async (text: string, from: string | undefined): Promise<void> => {
    const data = /^\s*\{/.test(text) ? readJson(text) : { wrong: '' };
    const own = 'wrong' in data ? undefined : orderSchema.safeParse(data.value).data;
    if (own) return keep({ ...own, id: crypto.randomUUID() });
    // The formats are many, and needed by few.
    const { readOrder } = await import('../../../core/order/formats/list.ts');
    const found = readOrder(text, from);
    if (!found) return setSaid(t('This is neither a feed nor a playlist: RSS, Atom, JSON Feed, XSPF, M3U and CSV are read.'));
    setSaid(sayFound(found.entries.length, found.left.length));
    const { name, words, links, coverAt, entries } = found;
    await keep(
      fresh({
        ...{ name, words, links, entries },
        seen: entries.map(({ id }) => id),
        ...(coverAt !== undefined && { coverAt }),
        ...(from !== undefined && { feed: from }),
      }),
    );
  };
  const ask = async (): Promise<void> => {
    setSaid(t('The feed is being fetched …'));
    const answer = await fetchFeed(dispatch, address.trim());
    if ('why' in answer) return setSaid(answer.why);
    setAddress('');
    await bring(answer.text, answer.address);
  };
  return (
    <div className="grid justify-items-start gap-2 [&_.field]:w-full">
      <Button variant="contained" onClick={() => void keep(fresh({ name: t('New running order') }))}>
        {t('New running order')}
      </Button>
      <form
        onSubmit={(event) => {
          event.preventDefault();
          void ask();
        }}
      >
        <WordsField
          label={t('Address of a feed or playlist')}
          type="url"
          value={address}
          set={setAddress}
          control={{ required: true }}
        />
        <Button type="submit" variant="outlined">
          {t('Bring it in')}
        </Button>
      </form>
      <TextFileButton
        words={t('Bring a file in')}
        accept=".xml,.rss,.atom,.json,.xspf,.m3u,.m3u8,.csv"
        give={([file]) => file && bring(file.text, undefined)}
      />
      <p role="status">{said}</p>
    </div>
  );
}
