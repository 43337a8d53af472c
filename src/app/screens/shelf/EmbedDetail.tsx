import { Button } from '@mui/material';
import { useLiveQuery } from 'dexie-react-hooks';
import { Suspense, useState, type SyntheticEvent, type ReactElement, type ReactNode } from 'react';
import { useStore } from 'react-redux';
import { Link, useNavigate } from 'react-router';
import { nanoid } from '@reduxjs/toolkit';
import type { Kind } from '../../../core/model/kind.ts';
import { nextLike } from '../../../core/keeping/shelf/next.ts';
import { opened } from '../../state/bench.ts';
import type { Narrowing } from '../../../core/keeping/shelf/search.ts';
import { stateOf, tagsIn, type SavedEmbed } from '../../../core/keeping/shelf/saved.ts';
import { sayFindingCode, STATE_NAMES } from '../../../messages/shelf.ts';
import { reaimIn } from '../../state/remake.ts';
import { selectSites } from '../../state/selectors.ts';
import { useAppDispatch, useAppSelector, type Store } from '../../state/store.ts';
import {
  changeEmbeds,
  duplicateEmbed,
  findPublishedCode,
  findProof,
  replaceWorks,
  type EmbedNotes,
} from '../../storage/embeds.ts';
import { lazily } from '../../ui/lazily.ts';
import { STATE_EDGE } from './ShelfList.tsx';
import { Versions } from './Versions.tsx';
import { Placements } from '../../ui/Placements.tsx';
import { showDay, t } from '../../../messages/t.ts';
import { ChoiceField } from '../../fields/ChoiceField.tsx';
import { WordsField } from '../../fields/WordsField.tsx';

const PostKit = lazily(
  () => import('./PostKit.tsx').then((module) => module.PostKit),
  () => null,
);

interface Props {
  embed: SavedEmbed;
  close: () => void;
  remove: () => void;
  open: (id: string) => void;
  narrow: (part: Partial<Narrowing>) => void;
}

/** All that is kept of one embed, and what can be done with it. */
export function EmbedDetail({ embed, close, remove, open, narrow }: Props): ReactElement {
  const [kit, setKit] = useState(false);
  const store = useStore() as Store;
  const dispatch = useAppDispatch();
  const navigate = useNavigate();
  const sites = useAppSelector(selectSites);
  const change = (part: EmbedNotes): void => void changeEmbeds([embed.id], () => part, Date.now());
  const reaim = (id: string): void => {
    const to = sites.find((site) => site.id === id);
    if (to) void replaceWorks([reaimIn(store.getState(), embed, to)], Date.now());
  };
  const next = (): void => {
    const work = nextLike(embed.work, embed.kind as Kind, nanoid(10));
    dispatch(opened(work));
    void navigate(`/bench/${work.id}`);
  };
  const duplicate = async (): Promise<void> => {
    const copy = await duplicateEmbed(embed.id, Date.now());
    if (copy) open(copy);
  };
  return (
    <aside
      className="detail w-[380px] overflow-y-auto border-l-2 border-l-line pt-0 pr-1 pb-4 pl-3 area-[detail] max-desk:w-auto max-desk:border-l-0 max-desk:px-0 max-desk:py-3 [&_.field]:w-full [&_h2]:my-1 [&_p]:my-1 [&_small.wrong]:text-brick"
      aria-label={t('About {title}', { title: embed.title })}
    >
      <header className="flex items-center justify-between gap-2">
        <h2>{embed.title}</h2>
        <Button onClick={close} aria-label={t('Close the details')}>
          {t('Close')}
        </Button>
      </header>
      <p className="line gap-x-3 gap-y-1 [&_a]:font-semibold">
        <Link to={`/bench/${embed.id}`}>{t('Open on the Bench')}</Link>
        <Button onClick={() => setKit(true)}>{t('Texts for a post')}</Button>
        <Button onClick={next}>{t('Next one like this')}</Button>
        <Button onClick={() => void duplicate()}>{t('Duplicate')}</Button>
        {embed.item !== '' && <Button onClick={() => narrow({ item: embed.item })}>{t('All embeds of this item')}</Button>}
        <Button aria-label={t('Remove {title}', { title: embed.title })} onClick={remove}>
          {t('Remove')}
        </Button>
      </p>
      <Part title={t('State')}>
        <p className={`marked ${STATE_EDGE[stateOf(embed)]}`}>
          {STATE_NAMES[stateOf(embed)]}
          {embed.look.length > 0 && <small className="block">{embed.look.map(sayFindingCode).join('; ')}</small>}
        </p>
        {embed.stage === 'draft' && <Button onClick={() => change({ stage: 'ready' })}>{t('It is ready')}</Button>}
      </Part>
      <Part title={t('For the site')}>
        <ChoiceField
          label={t('For the site')}
          labelled="hidden"
          value={embed.work.site}
          options={sites.map(({ id, name }) => [id, name])}
          set={reaim}
        />
        <small className="text-quiet">{t('What belongs to the site changes with it; what belongs to the item stays.')}</small>
      </Part>
      <Part title={t('Tags')}>
        <OneLine
          label={t('Tags, with spaces between')}
          value={embed.tags.join(' ')}
          keep={(text) => change({ tags: tagsIn(text) })}
        />
      </Part>
      <Part title={t('Placed on')}>
        <Placements placed={embed.placed} set={(placed) => change({ placed, stage: placed.length > 0 ? 'placed' : 'ready' })} />
      </Part>
      <Part title={t('Copied')}>
        <Versions embed={embed} />
      </Part>
      <Part title={t('Tested')}>
        <Proved id={embed.id} />
      </Part>
      <Suspense fallback={null}>{kit && <PostKit embed={embed} close={() => setKit(false)} />}</Suspense>
    </aside>
  );
}

const Part = ({ title, children }: { title: string; children: ReactNode }): ReactElement => (
  <section>
    <h3 className="mt-3.5 text-small font-semibold text-quiet">{title}</h3>
    {children}
  </section>
);

/** A field that is kept when it is left, or with Enter. */
function OneLine({ label, value, keep }: { label: string; value: string; keep: (text: string) => void }): ReactElement {
  const [text, setText] = useState(value);
  const submit = (event: SyntheticEvent): void => {
    event.preventDefault();
    keep(text);
  };
  return (
    <form onSubmit={submit}>
      <WordsField
        label={label}
        labelled="hidden"
        placeholder={label}
        value={text}
        set={setText}
        control={{ onBlur: () => text !== value && keep(text) }}
      />
    </form>
  );
}

/** Its play-through, and what the site made of it. */
function Proved({ id }: { id: string }): ReactElement {
  const [proof, back] = useLiveQuery(() => Promise.all([findProof(id), findPublishedCode(id)]), [id]) ?? [];
  const wrong = proof?.rows.filter(({ verdict }) => verdict === 'differs').length ?? 0;
  return (
    <ul className="detail-list">
      <li>
        {proof
          ? wrong === 0
            ? t('Played through on {date}: as asked', { date: showDay(proof.date) })
            : t('Played through on {date}: {wrong} of {rows} differ', {
                date: showDay(proof.date),
                wrong,
                rows: proof.rows.length,
              })
          : t('Not played through yet')}
      </li>
      <li>
        {back
          ? back.losses === 0
            ? t('Published code checked on {date}: nothing lost', { date: showDay(back.date) })
            : t('Published code checked on {date}: {losses} not as given', { date: showDay(back.date), losses: back.losses })
          : t('Published code not checked yet')}
      </li>
    </ul>
  );
}
