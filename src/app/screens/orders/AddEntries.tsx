import { Button } from '@mui/material';
import { useLiveQuery } from 'dexie-react-hooks';
import { useState, type ReactElement } from 'react';
import { entryOfEmbed } from '../../../core/keeping/shelf/asEntry.ts';
import { fromText } from '../../../core/order/fromText.ts';
import { entryOf, type Entry } from '../../../core/order/order.ts';
import { ANYTHING, soughtIn } from '../../../core/keeping/shelf/pool.ts';
import { selectBook } from '../../state/selectors.ts';
import { useAppDispatch, useAppSelector } from '../../state/store.ts';
import { server } from '../../state/server.ts';
import { listEmbeds } from '../../storage/embeds.ts';
import { PoolFilters } from './PoolFilters.tsx';
import { PoolPreview } from './PoolPreview.tsx';
import { t } from '../../../messages/t.ts';
import { WordsField } from '../../fields/WordsField.tsx';

interface Props {
  entries: readonly Entry[];
  add: (entries: Entry[]) => void;
  /** What was found out of an entry that has been added. */
  told: (id: string, facts: Pick<Entry, 'title' | 'author' | 'seconds'>) => void;
}

const MOST_SHOWN = 8;

const made = (address: string, title: string, given: Partial<Entry> = {}): Entry | null =>
  entryOf({ id: crypto.randomUUID(), address, title, ...given });

/** Links that are pasted, or what stands on the Shelf, found by typing. */
export function AddEntries({ entries, add, told }: Props): ReactElement {
  const dispatch = useAppDispatch();
  const book = useAppSelector(selectBook);
  const [sought, setSought] = useState(ANYTHING);
  const [looked, setLooked] = useState<string | null>(null);
  const { text } = sought;
  const embeds = useLiveQuery(listEmbeds) ?? [];
  const links = fromText(text, book);
  const held = new Set(entries.map(({ address }) => address));
  const shelf = links.length > 0 ? [] : soughtIn(embeds, sought).filter(({ item }) => !held.has(item));
  const take = (more: readonly (Entry | null)[]): void => {
    const found = more.filter((one) => one !== null);
    add(found);
    setSought({ ...sought, text: '' });
    // Titles and lengths come when the hosts have answered; until then the address stands there.
    for (const { id, address, title } of found)
      if (title === '')
        void dispatch(server.endpoints.said.initiate({ link: address, about: address, width: 640 }, { subscribe: false })).then(
          ({ data }) => {
            if (!data) return;
            const { title: found = '', duration, author = '' } = data.facts;
            told(id, {
              title: found.slice(0, 300),
              author: author.slice(0, 200),
              ...(duration !== undefined && { seconds: duration }),
            });
          },
        );
  };
  return (
    <div className="order-add [&_.order-preview]:min-h-[260px] [&_ul]:mt-2 [&_ul]:mb-0">
      <WordsField
        label={t('Add by link, or from the Shelf by its title')}
        labelled="above"
        lines={1}
        placeholder={t('paste links, or type a title')}
        value={text}
        set={(typed) => setSought({ ...sought, text: typed })}
      />
      {links.length > 0 && (
        <Button variant="contained" onClick={() => take(links.map(({ address, ...clip }) => made(address, '', clip)))}>
          {links.length === 1 ? t('Add this link') : t('Add these {count} links', { count: links.length })}
        </Button>
      )}
      {links.length === 0 && embeds.length > MOST_SHOWN && <PoolFilters embeds={embeds} sought={sought} set={setSought} />}
      {shelf.length > 0 && (
        <ul aria-label={t('On the Shelf')}>
          {shelf.slice(0, MOST_SHOWN).map((embed) => (
            <li key={embed.id}>
              <Button onClick={() => take([entryOfEmbed(embed)])}>{t('Add “{title}”', { title: embed.title })}</Button>
              <Button
                aria-expanded={looked === embed.id}
                aria-label={t('Look at “{title}”', { title: embed.title })}
                onClick={() => setLooked(looked === embed.id ? null : embed.id)}
              >
                {t('Look')}
              </Button>
              {looked === embed.id && <PoolPreview embed={embed} />}
            </li>
          ))}
          {shelf.length > MOST_SHOWN && (
            <li className="text-quiet">{t('and {count} more: type, or choose above', { count: shelf.length - MOST_SHOWN })}</li>
          )}
        </ul>
      )}
    </div>
  );
}
