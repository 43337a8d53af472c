import { Button } from '@mui/material';
import { Suspense, useDeferredValue, useMemo, useState, type ReactElement } from 'react';
import { useStore } from 'react-redux';
import { useNavigate } from 'react-router';
import { namesMore, orderSchema, withNews, type Entry, type Order } from '../../../core/order/order.ts';
import { pageOf } from '../../../core/order/page/page.ts';
import { isStream } from '../../../core/order/plays.ts';
import { LAYOUT_WORDS, LOOP_WORDS, sayFetched, sayNews, VOLUME_WORDS } from '../../../messages/order.ts';
import { selectBook, selectSite, selectStyles } from '../../state/selectors.ts';
import { useAppDispatch, useAppSelector, type Store } from '../../state/store.ts';
import { removeOrder } from '../../state/removing.ts';
import { saveOrder } from '../../storage/orders.ts';
import { lazily } from '../../ui/lazily.ts';
import { NotLoaded } from '../../ui/NotLoaded.tsx';
import { useKeptDraft } from '../../ui/useKeptDraft.ts';
import { AddEntries } from './AddEntries.tsx';
import { Entries } from './Entries.tsx';
import { fetchFeed } from '../../state/fetchFeed.ts';
import { OrderChecks } from './OrderChecks.tsx';
import { OrderHead } from './OrderHead.tsx';
import { OrderKept } from './OrderKept.tsx';
import { OrderOut } from './OrderOut.tsx';
import { OrderPreview } from './OrderPreview.tsx';
import { OrderProof } from './OrderProof.tsx';
import { t } from '../../../messages/t.ts';
import { ChoiceField } from '../../fields/ChoiceField.tsx';
import { ColourField } from '../../fields/ColourField.tsx';
import { Tick } from '../../fields/Tick.tsx';
import { WordsField } from '../../fields/WordsField.tsx';

const StreamScript = lazily(() => import('./StreamScript.tsx').then((module) => module.StreamScript), NotLoaded);

const checkOrder = (draft: Order): Order | undefined => orderSchema.safeParse(draft).data;

/** One running order: its entries, how they are played, the page as it is, and what is taken away. Kept by itself. */
export function OrderEditor({ order }: { order: Order }): ReactElement {
  const navigate = useNavigate();
  const store = useStore() as Store;
  const book = useAppSelector(selectBook);
  const site = useAppSelector(selectSite);
  const style = useAppSelector((all) => (site ? selectStyles(all)[site.id] : undefined));
  const { draft, change: alter, state, undo } = useKeptDraft(order, { check: checkOrder, keep: (one) => void saveOrder(one) });
  const change = (part: Partial<Order>): void => alter((before) => ({ ...before, ...part }));
  const shown = useDeferredValue(draft);
  const page = useMemo(() => (site ? pageOf(shown, { book, site, style }) : null), [shown, book, site, style]);
  return (
    <>
      <section className="order" aria-label={t('The running order')}>
        <header className="line gap-x-3 gap-y-1">
          <WordsField label={t('Name')} value={draft.name} set={(name) => change({ name })} />
          <span className="text-quiet" role="status">
            {state === 'kept' ? t('Kept') : t('Keeping …')}
          </span>
          <Button disabled={!undo} onClick={() => undo?.()}>
            {t('Undo the last change')}
          </Button>
          <Button onClick={() => void removeOrder(store, order).then(() => navigate('/orders'))}>{t('Remove')}</Button>
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
      <section
        className="flex flex-col gap-2 border-l-2 border-l-line max-[1001px]:border-t-2 max-[1001px]:border-l-0 max-[1001px]:border-t-line"
        aria-label={t('The page')}
      >
        <div className="line gap-x-3 gap-y-1">
          <ChoiceField
            label={t('Layout')}
            value={draft.layout}
            options={Object.entries(LAYOUT_WORDS)}
            set={(layout) => change({ layout })}
          />
          <ChoiceField
            label={t('At the end')}
            value={draft.loop}
            options={Object.entries(LOOP_WORDS)}
            set={(loop) => change({ loop })}
          />
          <Tick label={t('Goes on by itself')} on={draft.continuous} set={(continuous) => change({ continuous })} />
          <Tick label={t('Files can be saved')} on={draft.download} set={(download) => change({ download })} />
          <Tick label={t('Begins by itself, without sound')} on={draft.autoplay} set={(autoplay) => change({ autoplay })} />
          {site && style && style.rules.length > 0 && (
            <small className="text-quiet">{t('Players follow the house style of {site}.', { site: site.name })}</small>
          )}
          <ChoiceField
            label={t('Volume')}
            value={String(Math.round(draft.volume * 4) * 25)}
            options={Object.entries(VOLUME_WORDS)}
            set={(volume) => change({ volume: Number(volume) / 100 })}
          />
          <ChoiceField
            label={t('Shown first')}
            value={String(draft.first)}
            options={draft.entries
              .slice(0, 200)
              .map(({ title, address }, i) => [String(i), `${i + 1}. ${title || address}`] as const)}
            set={(first) => change({ first: Number(first) })}
          />
          <Tick
            label={t('Accent colour')}
            on={draft.accent !== undefined}
            set={(on) => change({ accent: on ? (site?.palette[0]?.colour ?? '#000000') : undefined })}
          />
          {draft.accent !== undefined && (
            <ColourField
              label={t('Accent colour')}
              labelled="hidden"
              value={draft.accent}
              palette={site?.palette}
              set={(accent) => change({ accent })}
            />
          )}
        </div>
        <OrderHead order={draft} change={change} />
        {draft.entries.some(isStream) && (
          <Suspense fallback={null}>
            <StreamScript address={draft.streamScript} set={(streamScript) => change({ streamScript })} />
          </Suspense>
        )}
        {page && site && <OrderOut order={shown} page={page} site={site} />}
        <OrderKept order={order} goBack={(was) => alter(() => was)} />
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
  const readAgain = async (): Promise<void> => {
    setSaid(t('The feed is being fetched …'));
    const answer = await fetchFeed(dispatch, order.feed!);
    if ('why' in answer) return setSaid(answer.why);
    const { readOrder } = await import('../../../core/order/formats/list.ts');
    const found = readOrder(answer.text, answer.address);
    if (!found) return setSaid(t('There is no feed at its address any more.'));
    setSaid(sayNews(withNews(order, found).added));
    take((before) => withNews(before, found).order);
  };
  return (
    <p>
      <Button variant="outlined" onClick={() => void readAgain()}>
        {t('What is new')}
      </Button>{' '}
      <span role="status">{said}</span> <small className="text-quiet">{order.feed}</small>
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
    setSaid(t('They are being fetched …'));
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
    <p>
      {waiting > 0 && (
        <Button variant="outlined" onClick={() => void bring()}>
          {t('Bring in the transcripts and chapters of {count, plural, one {# entry} other {# entries}}', { count: waiting })}
        </Button>
      )}{' '}
      <span role="status">{said}</span>
    </p>
  );
}
