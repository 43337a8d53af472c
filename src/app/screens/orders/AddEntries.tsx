import { Button } from '@mui/material';
import { useLiveQuery } from 'dexie-react-hooks';
import { useState, type ReactElement } from 'react';
import { entryOfEmbed } from '../../../core/keeping/shelf/asEntry.ts';
import { fromText } from '../../../core/order/fromText.ts';
import { entryOf, type Entry } from '../../../core/order/order.ts';
import type { SavedEmbed } from '../../../core/keeping/shelf/saved.ts';
import { KIND_WORDS } from '../../../messages/kinds.ts';
import { selectBook, selectSites } from '../../state/selectors.ts';
import { useAppDispatch, useAppSelector } from '../../state/store.ts';
import { server } from '../../state/server.ts';
import { listEmbeds } from '../../storage/embeds.ts';
import { Choice } from '../../ui/Choice.tsx';
import { t } from '../../../messages/t.ts';

interface Props {
  entries: readonly Entry[];
  add: (entries: Entry[]) => void;
  /** What was found out of an entry that has been added. */
  told: (id: string, facts: Pick<Entry, 'title' | 'author' | 'seconds'>) => void;
}

const MOST_SHOWN = 8;

const made = (address: string, title: string, given: Partial<Entry> = {}): Entry | null =>
  entryOf({ id: crypto.randomUUID(), address, title, ...given });

/** The kinds that there are on the Shelf, in words. */
const kindsOf = (embeds: readonly SavedEmbed[]): Readonly<Record<string, string>> => ({
  '': t('all'),
  ...Object.fromEntries(
    [...new Set(embeds.map(({ kind }) => kind))].flatMap((kind) => (KIND_WORDS[kind] ? [[kind, KIND_WORDS[kind]]] : [])),
  ),
});

/** Links that are pasted, or what stands on the Shelf, found by typing. */
export function AddEntries({ entries, add, told }: Props): ReactElement {
  const dispatch = useAppDispatch();
  const book = useAppSelector(selectBook);
  const sites = useAppSelector(selectSites);
  const [text, setText] = useState('');
  const [kind, setKind] = useState('');
  const [site, setSite] = useState('');
  const embeds = useLiveQuery(listEmbeds) ?? [];
  const links = fromText(text, book);
  const wanted = text.trim().toLowerCase();
  const held = new Set(entries.map(({ address }) => address));
  const shelf =
    links.length > 0
      ? []
      : embeds.filter(
          ({ title, item, host, tags, kind: of, work }) =>
            item &&
            !held.has(item) &&
            (kind === '' || of === kind) &&
            (site === '' || work.site === site) &&
            `${title} ${host} ${tags.join(' ')}`.toLowerCase().includes(wanted),
        );
  const take = (more: readonly (Entry | null)[]): void => {
    const found = more.filter((one) => one !== null);
    add(found);
    setText('');
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
    <div className="order-add">
      <label>
        <span id="add-words">{t('Add by link, or from the Shelf by its title')}</span>{' '}
        <textarea
          aria-labelledby="add-words"
          rows={1}
          value={text}
          spellCheck={false}
          placeholder={t('paste links, or type a title')}
          onChange={({ target }) => setText(target.value)}
        />
      </label>
      {links.length > 0 && (
        <Button variant="contained" onClick={() => take(links.map(({ address, ...clip }) => made(address, '', clip)))}>
          {links.length === 1 ? t('Add this link') : t('Add these {count} links', { count: links.length })}
        </Button>
      )}
      {links.length === 0 && embeds.length > MOST_SHOWN && (
        <div className="order-how">
          <Choice label={t('Kind')} value={kind} words={kindsOf(embeds)} change={setKind} />
          <Choice
            label={t('Site')}
            value={site}
            words={{ '': t('all'), ...Object.fromEntries(sites.map(({ id, name }) => [id, name])) }}
            change={setSite}
          />
        </div>
      )}
      {shelf.length > 0 && (
        <ul aria-label={t('On the Shelf')}>
          {shelf.slice(0, MOST_SHOWN).map((embed) => (
            <li key={embed.id}>
              <Button onClick={() => take([entryOfEmbed(embed)])}>{t('Add “{title}”', { title: embed.title })}</Button>
            </li>
          ))}
        </ul>
      )}
    </div>
  );
}
