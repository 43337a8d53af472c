import { Button } from '@mui/material';
import { useLiveQuery } from 'dexie-react-hooks';
import { useMemo, useState, type ReactElement } from 'react';
import { useStore } from 'react-redux';
import type { SweptEmbed } from '../../../core/many/sweep/found.ts';
import { againstShelf } from '../../../core/many/sweep/shelf.ts';
import type { Site } from '../../../core/model/site.ts';
import { notePlaces, takeIn } from '../../state/sweptToShelf.ts';
import type { Store } from '../../state/store.ts';
import { isFull } from '../../storage/database.ts';
import { listPlaces } from '../../storage/places.ts';
import type { SweepState } from '../../sweep/run.ts';
import { t } from '../../../messages/t.ts';
import { WordsField } from '../../fields/WordsField.tsx';

interface Props {
  state: SweepState;
  embeds: readonly SweptEmbed[];
  site: Site;
}

/** What of the site is on the Shelf, and the ways onto it. */
export function OnShelf({ state: { files, phase, name }, embeds, site }: Props): ReactElement | null {
  const store = useStore() as Store;
  const shelf = useLiveQuery(listPlaces);
  const byAddress = files.some((file) => /^https?:/i.test(file.name));
  const [address, setAddress] = useState(site.address);
  const [said, setSaid] = useState('');
  const [busy, setBusy] = useState(false);
  const against = useMemo(() => (shelf ? againstShelf(embeds, shelf, address) : null), [embeds, shelf, address]);
  if (!against || embeds.length === 0) return null;
  const { placed, unshelved } = against;
  const act = (work: () => Promise<void>, done: string): void => {
    setBusy(true);
    work()
      .then(
        () => setSaid(done),
        (error: unknown) =>
          setSaid(isFull(error) ? t('The browser has no room left. Nothing was kept.') : t('The browser kept nothing of it.')),
      )
      .finally(() => setBusy(false));
  };
  const wait = busy || phase !== 'done';
  return (
    <section className="mt-4 grid gap-2 border-t border-t-line pt-3 [&_p]:m-0 [&_p]:wrap-anywhere" aria-label={t('Shelf')}>
      <h3>{t('Shelf')}</h3>
      {!byAddress && <WordsField label={t('“{name}” stands at', { name })} type="url" value={address} set={setAddress} />}
      <div className="line">
        <Button
          disabled={wait || placed.length === 0}
          onClick={() =>
            act(
              () => notePlaces(placed, Date.now()),
              t('Noted where {count, plural, one {# embed stands} other {# embeds stand}}.', { count: placed.length }),
            )
          }
        >
          {t('Note where they stand ({count})', { count: placed.length })}
        </Button>
        <Button
          disabled={wait || unshelved.length === 0}
          onClick={() =>
            act(
              () => takeIn(store, { unshelved, files, site: site.id }, Date.now()),
              t('{count, plural, one {# embed} other {# embeds}} added, as drafts until they are copied or placed.', {
                count: unshelved.length,
              }),
            )
          }
        >
          {t('Take in what is not on it ({count})', { count: unshelved.length })}
        </Button>
      </div>
      <p role="status">{said}</p>
    </section>
  );
}
