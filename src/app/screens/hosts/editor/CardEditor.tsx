import '../../../card/card.css';
import './editor.css';
import { Button } from '@mui/material';
import { useMemo, useReducer, useRef, type ReactElement } from 'react';
import { useStore } from 'react-redux';
import { useNavigate } from 'react-router';
import { makeBook } from '../../../../core/known/hosts/book.ts';
import type { HostCard } from '../../../../core/known/hosts/card.ts';
import { sayCardProblem } from '../../../../messages/library.ts';
import { keepCards } from '../../../state/ownCards.ts';
import { dropCard } from '../../../state/removing.ts';
import { selectCards } from '../../../state/selectors.ts';
import { useAppSelector, type Store } from '../../../state/store.ts';
import { CardJson, type CardJsonHandle } from './CardJson.tsx';
import { checkCardText } from './cardText.ts';
import { changed, type Change } from './change.ts';
import { DraftField } from './DraftField.tsx';
import { beginEditing, stepEditing } from './editing.ts';
import { LinksPart } from './LinksPart.tsx';
import { PlayerPart } from './PlayerPart.tsx';
import { SettingsPart } from './SettingsPart.tsx';
import { TargetsPart } from './TargetsPart.tsx';
import { t } from '../../../../messages/t.ts';

/** A card of the user's own as a drawing and as JSON: one thing in two views. It is kept only when it is right. */
export function CardEditor({ card: before }: { card: HostCard }): ReactElement {
  const store = useStore() as Store;
  const navigate = useNavigate();
  const json = useRef<CardJsonHandle>(null);
  const [{ text, right, past, future }, step] = useReducer(stepEditing, before, beginEditing);
  const { card: now, problems } = useMemo(() => checkCardText(text), [text]);
  const cards = useAppSelector(selectCards);
  const book = useMemo(
    () => makeBook([...cards.filter(({ id }) => id !== before.id && id !== right.id), right]),
    [cards, before.id, right],
  );
  const replace = (where: string, card: HostCard): void => step({ do: 'change', card, where });
  const change: Change = (where, next) => {
    const made = changed(right, next);
    if (typeof made === 'string') return made;
    replace(where, made);
    return null;
  };
  const keep = async (): Promise<void> => {
    if (!now) return;
    if (now.id !== before.id) await dropCard(store, before.id).catch(() => undefined);
    await keepCards(store, [now]);
    await navigate(`/hosts/${now.id}`);
  };
  return (
    <div className="card-editor">
      <header className="flex flex-wrap items-center gap-x-2 gap-y-1 area-[head]">
        <h2 className="mr-auto">{before.name}</h2>
        <Button aria-label={t('Undo in the card')} disabled={past.length === 0} onClick={() => step({ do: 'undo' })}>
          {t('Undo')}
        </Button>
        <Button aria-label={t('Redo in the card')} disabled={future.length === 0} onClick={() => step({ do: 'redo' })}>
          {t('Redo')}
        </Button>
        <Button onClick={() => void navigate(`/hosts/${before.id}`)}>{t('Leave it as it was')}</Button>
        <Button variant="contained" disabled={!now} onClick={() => void keep()}>
          {t('Keep the card')}
        </Button>
      </header>
      <fieldset
        className="card-drawing m-0 min-w-0 overflow-auto border-0 pt-0 pr-2 pb-4 pl-0 [&_.field.long]:[flex-basis:100%]"
        disabled={!now}
        aria-label={t('The card as a drawing')}
      >
        {!now && <p className="wrong">{t('The JSON is not right as it stands. This shows the card as it was last right.')}</p>}
        <div className="line editor-fields">
          <DraftField label={t('Name of the host')} value={right.name} change={(name) => change('name', { name })} />
          <DraftField label={t('As of')} value={right.updated} change={(updated) => change('updated', { updated })} />
        </div>
        <LinksPart card={right} book={book} change={change} replace={replace} />
        <TargetsPart card={right} change={change} />
        <SettingsPart card={right} change={change} />
        <PlayerPart card={right} change={change} />
      </fieldset>
      <section className="flex min-h-0 flex-col gap-2" aria-label={t('The same as JSON')}>
        <CardJson
          ref={json}
          text={text}
          problems={problems}
          typed={(typed) => step({ do: 'type', text: typed })}
          undo={() => step({ do: 'undo' })}
          redo={() => step({ do: 'redo' })}
        />
        <div role="status">
          <ul className="card-problems *:py-[3px]">
            {problems.slice(0, 20).map((problem, i) => (
              <li key={i}>
                <button type="button" className="inline-remedy" onClick={() => json.current?.show(problem.at, problem.length)}>
                  {t('line {line}', { line: problem.line })}
                </button>{' '}
                {sayCardProblem({ ...problem, file: t('The card') })}
              </li>
            ))}
          </ul>
          {now && <p>{t('The card is right.')}</p>}
        </div>
      </section>
    </div>
  );
}
