import './shelf.css';
import { Button } from '@mui/material';
import { useCallback, useEffect, useMemo, useState, type ReactElement } from 'react';
import { useLiveQuery } from 'dexie-react-hooks';
import { useStore } from 'react-redux';
import { Link, useSearchParams } from 'react-router';
import { isWide, narrowingOf, NO_NARROWING, queryOf, search, type Narrowing } from '../../../core/keeping/shelf/search.ts';
import { isExample, putExamples } from '../../state/examples.ts';
import type { Store } from '../../state/store.ts';
import { findPreference, savePreference } from '../../storage/database.ts';
import { putWholes, removeEmbeds, type Whole } from '../../storage/embeds.ts';
import { EmbedDetail } from './EmbedDetail.tsx';
import { Narrow } from './Narrow.tsx';
import { SavedSearches } from './SavedSearches.tsx';
import { ShelfActions } from './ShelfActions.tsx';
import { ShelfList } from './ShelfList.tsx';
import { ShelfPictures } from './ShelfPictures.tsx';
import { ShelfOrders } from './ShelfOrders.tsx';
import { Unreadable } from './Unreadable.tsx';
import { useShelf, type Shelved } from './useShelf.ts';
import { t } from '../../../messages/t.ts';
import { rich } from '../../ui/rich.tsx';

/** Whether embeds are shown as pictures rather than as a list: the name under which that is kept. */
const PICTURED = 'shelfPictured';

/** Everything saved, last changed first: found as one types, and taken up again. */
export function Shelf(): ReactElement {
  const shelved = useShelf();
  if (shelved === null)
    return (
      <div className="shelf">
        <h1>{t('Shelf')}</h1>
        <p role="alert">
          {t('This window keeps no data, so the Shelf stays empty. Open Refenestra in an ordinary window to keep what you make.')}
        </p>
      </div>
    );
  return shelved ? (
    <Stock shelved={shelved} />
  ) : (
    <div className="shelf">
      <h1>{t('Shelf')}</h1>
      <p className="text-quiet" role="status">
        {t('Looking what is there …')}
      </p>
    </div>
  );
}

function Stock({ shelved: { entries, unreadable, all, whole } }: { shelved: Shelved }): ReactElement {
  const [narrowing, setNarrowing] = useNarrowing();
  const [bySite, setBySite] = useState(false);
  const pictured = useLiveQuery(() => findPreference(PICTURED).catch(() => false)) === true;
  const [chosen, setChosen] = useState<ReadonlySet<string>>(new Set());
  const [open, setOpen] = useState<string | null>(null);
  const [removed, setRemoved] = useState<Whole[]>([]);
  const found = useMemo(() => search(entries, narrowing), [entries, narrowing]);
  const picked = useMemo(() => (chosen.size === 0 ? [] : entries.filter(({ embed }) => chosen.has(embed.id))), [entries, chosen]);
  const shown = useMemo(
    () => (open === null ? undefined : entries.find(({ embed }) => embed.id === open)?.embed),
    [entries, open],
  );
  const examples = useMemo(() => entries.flatMap(({ embed }) => (isExample(embed) ? [embed.id] : [])), [entries]);
  const narrowed = !isWide(narrowing);
  const choose = useCallback(
    (id: string, on: boolean): void =>
      setChosen((before) => new Set(on ? [...before, id] : [...before].filter((one) => one !== id))),
    [],
  );
  const remove = async (ids: readonly string[]): Promise<void> => {
    setRemoved(await removeEmbeds(ids));
    setChosen(new Set());
    setOpen(null);
  };
  return (
    <div className="shelf" data-open={shown !== undefined}>
      <header className="line gap-x-4 gap-y-1 area-[head]">
        <h1>{t('Shelf')}</h1>
        {entries.length > 0 && (
          <Narrow
            entries={entries}
            narrowing={narrowing}
            set={setNarrowing}
            bySite={bySite}
            setBySite={setBySite}
            pictured={pictured}
            setPictured={(on) => void savePreference(PICTURED, on).catch(() => undefined)}
          />
        )}
        <SavedSearches narrowing={narrowing} set={setNarrowing} />
      </header>
      <Unreadable rows={unreadable} all={all} />
      {removed.length > 0 && (
        <p className="mt-2 mb-0 border-l-3 border-l-amber bg-amber-wash px-3 py-1.5 area-[told]" role="status">
          {t('{count, plural, one {“{title}” is off the Shelf.} other {# embeds are off the Shelf.}}', {
            count: removed.length,
            title: removed[0]!.embed.title,
          })}{' '}
          <button type="button" className="inline-remedy" onClick={() => void putWholes(removed).then(() => setRemoved([]))}>
            {removed.length === 1 ? t('Put it back') : t('Put them back')}
          </button>
        </p>
      )}
      <ShelfActions
        picked={picked}
        found={found}
        choose={(ids) => setChosen(new Set(ids))}
        remove={(ids) => void remove(ids)}
        all={all - unreadable.length}
        whole={whole}
        showAll={narrowed ? () => setNarrowing(NO_NARROWING) : null}
      />
      <ShelfOrders text={narrowing.text} />
      {entries.length === 0 && <Empty />}
      {examples.length > 0 && removed.length === 0 && unreadable.length === 0 && (
        <p className="m-0 text-quiet area-[told]">
          {t('{count, plural, one {One of these is an example.} other {# of these are examples.}}', { count: examples.length })}{' '}
          <button type="button" className="inline-remedy" onClick={() => void remove(examples)}>
            {t('Clear the examples')}
          </button>
        </p>
      )}
      {entries.length > 0 && found.length === 0 && whole && (
        <p className="text-quiet" role="status">
          {t('Nothing on the Shelf is like that.')}{' '}
          <button type="button" className="inline-remedy" onClick={() => setNarrowing(NO_NARROWING)}>
            {t('Show everything')}
          </button>
        </p>
      )}
      {found.length > 0 &&
        (pictured ? (
          <ShelfPictures entries={found} open={open} setOpen={setOpen} chosen={chosen} choose={choose} />
        ) : (
          <ShelfList entries={found} bySite={bySite} open={open} setOpen={setOpen} chosen={chosen} choose={choose} />
        ))}
      {shown && (
        <EmbedDetail
          key={shown.id}
          embed={shown}
          close={() => setOpen(null)}
          remove={() => void remove([shown.id])}
          open={setOpen}
          narrow={(part) => setNarrowing({ ...NO_NARROWING, ...part })}
        />
      )}
    </div>
  );
}

/** What the Shelf is for, and a way to see it at work before there is anything of one's own. */
function Empty(): ReactElement {
  const store = useStore() as Store;
  const [busy, setBusy] = useState(false);
  const put = (): void => {
    setBusy(true);
    void putExamples(store, Date.now()).finally(() => setBusy(false));
  };
  return (
    <div className="max-w-[620px] py-2 area-[list] [&_li]:my-1">
      <p>
        {rich('Nothing is kept yet. Whatever you paste and change on the <a>Bench</a> comes here by itself.', {
          a: (inside) => <Link to="/bench/example">{inside}</Link>,
        })}
      </p>
      <ul className="bullets">
        <li>{t('Find an embed again by its title, host, tag, or the page where it stands.')}</li>
        <li>{t('Note where each was placed, and give it the days on which it goes out.')}</li>
        <li>{t('Change many at once, take their codes as one block, back everything up.')}</li>
      </ul>
      <Button variant="outlined" disabled={busy} onClick={put}>
        {busy ? t('Fetching the examples …') : t('Show it with examples')}
      </Button>
    </div>
  );
}

/** Milliseconds after which what was typed stands in the address. */
const SETTLED = 300;

/** What the list is narrowed by stands in the address too, so that a reload and a way back find it again. */
function useNarrowing(): [Narrowing, (narrowing: Narrowing) => void] {
  const [query, setQuery] = useSearchParams();
  const [narrowing, setNarrowing] = useState(() => narrowingOf(query.toString()));
  const wanted = queryOf(narrowing);
  useEffect(() => {
    if (wanted === query.toString()) return undefined;
    const timer = setTimeout(() => setQuery(wanted, { replace: true }), SETTLED);
    return () => clearTimeout(timer);
  }, [wanted, query, setQuery]);
  return [narrowing, setNarrowing];
}
