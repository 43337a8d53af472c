import { Button } from '@mui/material';
import { useEffect, useId, useState, type ReactElement } from 'react';
import type { SearchResult } from '../../../core/many/search/openSearch.ts';
import { showTime } from '../../../core/model/time.ts';
import { WHY_NOT } from '../../../messages/reached.ts';
import { broughtIn } from '../../state/bench.ts';
import { canBeSearched, searchHosts, type Searched } from '../../state/search.ts';
import { selectCards } from '../../state/selectors.ts';
import { useAppDispatch, useAppSelector } from '../../state/store.ts';
import { loadPicture } from '../../state/server.ts';
import { t } from '../../../messages/t.ts';

/** Words that are no link: hosts that can be searched are asked for them, and one press brings what they found. */
export function FindByName({ words }: { words: string }): ReactElement | null {
  const cards = useAppSelector(selectCards).filter(canBeSearched);
  const dispatch = useAppDispatch();
  const [found, setFound] = useState<Searched[] | 'asking' | null>(null);
  if (cards.length === 0) return null;
  const search = async (ids: readonly string[]): Promise<void> => {
    setFound('asking');
    const some = cards.filter(({ id }) => ids.includes(id));
    setFound(await searchHosts(dispatch, some, words));
  };
  return (
    <section className="[&_.MuiButton-root]:mr-1.5" aria-label={t('Find by name')}>
      <p>
        {t('Is it a name? Look for it at')}{' '}
        <Button
          size="small"
          variant="contained"
          disabled={found === 'asking'}
          onClick={() => void search(cards.map(({ id }) => id))}
        >
          {t('all {count} hosts', { count: cards.length })}
        </Button>
        {cards.map(({ id, name }) => (
          <Button key={id} size="small" variant="outlined" disabled={found === 'asking'} onClick={() => void search([id])}>
            {name}
          </Button>
        ))}
      </p>
      {found === 'asking' && <p>{t('The hosts are being asked …')}</p>}
      {Array.isArray(found) && <Found searched={found} words={words} />}
    </section>
  );
}

function Found({ searched, words }: { searched: readonly Searched[]; words: string }): ReactElement {
  const all = searched.flatMap(({ host, results }) => results.map((result) => ({ host, result })));
  const silent = searched.filter(({ refused }) => refused !== null);
  return (
    <>
      {all.length === 0 && silent.length < searched.length && <p>{t('Nothing is called “{words}” there.', { words })}</p>}
      {silent.map(({ host, refused }) => (
        <p key={host} className="wrong">
          {t('{host} could not be asked: {why}.', { host, why: WHY_NOT[refused!] ?? WHY_NOT.noAnswer })}
        </p>
      ))}
      <ul className="found my-1.5 grid max-h-[320px] grid-cols-[repeat(auto-fill,minmax(240px,1fr))] gap-1.5 overflow-auto">
        {all.map(({ host, result }, i) => (
          <li key={`${i} ${result.link}`}>
            <Result host={host} result={result} />
          </li>
        ))}
      </ul>
    </>
  );
}

function Result({ host, result: { link, title, duration, date, cover } }: { host: string; result: SearchResult }): ReactElement {
  const dispatch = useAppDispatch();
  const id = useId();
  const about = [host, duration !== undefined && showTime(duration), date].filter(Boolean).join(' · ');
  return (
    <button
      type="button"
      className="flex w-full items-center gap-2 border border-hair bg-pane p-1 text-left hover:border-green"
      aria-label={title}
      aria-describedby={id}
      onClick={() => dispatch(broughtIn(link))}
    >
      <Cover address={cover} />
      <span>
        <strong className="block">{title}</strong>
        <small className="block" id={id}>
          {about}
        </small>
      </span>
    </button>
  );
}

/** The picture of what was found; its place is there before it. */
function Cover({ address }: { address: string | undefined }): ReactElement {
  const [picture, setPicture] = useState<string | null>(null);
  useEffect(() => {
    if (address === undefined) return;
    let gone = false;
    void loadPicture(address)
      .then(readAddress)
      .then((read) => !gone && setPicture(read))
      .catch(() => undefined);
    return () => {
      gone = true;
    };
  }, [address]);
  return (
    <span className="h-[45px] w-[80px] flex-none bg-hair">
      {picture && <img className="size-full object-cover" src={picture} alt="" />}
    </span>
  );
}

const readAddress = (picture: Blob): Promise<string> =>
  new Promise((done, failed) => {
    const reader = new FileReader();
    reader.onload = () => done(reader.result as string);
    reader.onerror = () => failed(new Error(t('the picture could not be read')));
    reader.readAsDataURL(picture);
  });
