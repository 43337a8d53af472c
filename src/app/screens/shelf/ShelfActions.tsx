import { Button } from '@mui/material';
import { useLiveQuery } from 'dexie-react-hooks';
import { Suspense, useState, type ReactElement } from 'react';
import { useStore } from 'react-redux';
import { useNavigate } from 'react-router';
import { blockOf } from '../../../core/many/kit/block.ts';
import type { Entry } from '../../../core/keeping/shelf/search.ts';
import { newOrder } from '../../../core/order/order.ts';
import { entryOfEmbed } from '../../../core/keeping/shelf/asEntry.ts';
import { reaimIn } from '../../state/remake.ts';
import { selectSites } from '../../state/selectors.ts';
import { useAppSelector, type Store } from '../../state/store.ts';
import { changedSinceBundle } from '../../storage/bundles.ts';
import { replaceWorks } from '../../storage/embeds.ts';
import { saveOrder } from '../../storage/orders.ts';
import { copyText } from '../../copyText.ts';
import { lazily } from '../../ui/lazily.ts';
import { DialogFrame } from '../../ui/DialogFrame.tsx';
import { t } from '../../../messages/t.ts';
import { ChoiceField } from '../../fields/ChoiceField.tsx';

const Coming = lazily(
  () => import('./Coming.tsx').then((module) => module.Coming),
  () => null,
);
const Bundles = lazily(
  () => import('./Bundles.tsx').then((module) => module.Bundles),
  () => null,
);

interface Props {
  picked: readonly Entry[];
  found: readonly Entry[];
  choose: (ids: readonly string[]) => void;
  remove: (ids: readonly string[]) => void;
  /** How many there are in all, and whether all of them have been read. */
  all: number;
  whole: boolean;
  /** Null where nothing is narrowed. */
  showAll: (() => void) | null;
}

/** What can be done with the chosen embeds, and with all of them. */
export function ShelfActions({ picked, found, choose, remove, all, whole, showAll }: Props): ReactElement {
  const [open, setOpen] = useState<'block' | 'coming' | 'bundle' | null>(null);
  const store = useStore() as Store;
  const navigate = useNavigate();
  const sites = useAppSelector(selectSites);
  const ids = picked.map(({ embed }) => embed.id);
  const close = (): void => setOpen(null);
  const reaim = (id: string): void => {
    const to = sites.find((site) => site.id === id);
    if (!to) return;
    void replaceWorks(
      picked.map(({ embed }) => reaimIn(store.getState(), embed, to)),
      Date.now(),
    );
  };
  const play = async (): Promise<void> => {
    const entries = picked.flatMap(({ embed }) => entryOfEmbed(embed) ?? []);
    const order = newOrder(crypto.randomUUID(), { name: t('New running order'), entries });
    await saveOrder(order);
    await navigate(`/orders/${order.id}`);
  };
  return (
    <div className="line shelf-actions min-h-10 area-[actions] [&_output]:ml-auto [&_output]:tabular-nums">
      {picked.length > 0 ? (
        <>
          <strong>{t('{count} chosen', { count: picked.length })}</strong>
          <Button onClick={() => choose(found.map(({ embed }) => embed.id))}>
            {t('Choose all {count}', { count: found.length })}
          </Button>
          <Button onClick={() => choose([])}>{t('Choose none')}</Button>
          <ChoiceField
            label={t('Aim them at another site')}
            labelled="hidden"
            value=""
            options={[['', t('Aim at another site …')], ...sites.map(({ id, name }) => [id, name] as const)]}
            set={reaim}
          />
          <Button onClick={() => setOpen('block')}>{t('As one block')}</Button>
          <Button onClick={() => void play()}>{t('As a running order')}</Button>
          <Button onClick={() => setOpen('bundle')}>{t('Save as backup')}</Button>
          <Button onClick={() => remove(ids)}>{t('Remove')}</Button>
        </>
      ) : (
        <>
          {all > 0 && <Button onClick={() => setOpen('coming')}>{t('Calendar')}</Button>}
          <Button onClick={() => setOpen('bundle')}>{t('Backup')}</Button>
          {whole && <Reminder save={() => setOpen('bundle')} />}
        </>
      )}
      <output aria-live="polite" aria-busy={!whole}>
        {showAll
          ? t('{found} of {all}', { found: found.length, all })
          : t('{count, plural, one {# embed} other {# embeds}}', { count: all })}
      </output>
      {showAll && (
        <button type="button" className="inline-remedy" onClick={showAll}>
          {t('Show all')}
        </button>
      )}
      {open === 'block' && <Block picked={picked} close={close} />}
      <Suspense fallback={null}>
        {open === 'coming' && <Coming close={close} />}
        {open === 'bundle' && <Bundles chosen={ids} close={close} />}
      </Suspense>
    </div>
  );
}

/** So many embeds that are in no bundle yet are much to lose. */
const MUCH = 25;

/** Reminds of saving a bundle when much has changed since the last. */
function Reminder({ save }: { save: () => void }): ReactElement | null {
  const changed = useLiveQuery(changedSinceBundle) ?? 0;
  if (changed < MUCH) return null;
  return (
    <p className="m-0 border-l-3 border-l-amber px-2 py-0.5" role="status">
      {t('{count, plural, one {# embed is in no backup yet.} other {# embeds are in no backup yet.}}', { count: changed })}{' '}
      <button type="button" className="inline-remedy" onClick={save}>
        {t('Save one')}
      </button>
    </p>
  );
}

/** The chosen embeds as one code, with the space of the first one's site between them. */
function Block({ picked, close }: { picked: readonly Entry[]; close: () => void }): ReactElement {
  const sites = useAppSelector(selectSites);
  const [said, setSaid] = useState('');
  const site = sites.find(({ id }) => id === picked[0]?.embed.work.site) ?? sites[0];
  const space = Math.max(site?.space.above ?? 0, site?.space.below ?? 0);
  const code = blockOf(
    picked.map(({ embed }) => embed.code),
    space,
  );
  const copy = (): void =>
    void copyText(code).then(
      () => setSaid(t('The block is copied.')),
      () => setSaid(t('The browser refused to copy. Select the code and copy it by hand.')),
    );
  return (
    <DialogFrame
      title={t('{count} embeds as one block', { count: picked.length })}
      close={close}
      wide
      actions={
        <Button variant="contained" onClick={copy}>
          {t('Copy the block')}
        </Button>
      }
    >
      <pre className="code-difference" tabIndex={0} aria-label={t('The block')}>
        {code}
      </pre>
      <p role="status">{said}</p>
    </DialogFrame>
  );
}
