import '../../card/card.css';
import './teach.css';
import { Button } from '@mui/material';
import { useEffect, useMemo, useReducer, useState, type ReactElement } from 'react';
import { useStore } from 'react-redux';
import { useLocation, useNavigate, useParams } from 'react-router';
import { z } from 'zod';
import { broughtIn } from '../../state/bench.ts';
import { keepTaught } from '../../state/ownCards.ts';
import { selectCards } from '../../state/selectors.ts';
import { useAppDispatch, useAppSelector, type Store } from '../../state/store.ts';
import { findLesson } from '../../storage/own.ts';
import { sayQuestion } from '../../../messages/teach.ts';
import { Ask, type WhatDoes } from './Ask.tsx';
import { Examples } from './Examples.tsx';
import { beginLesson, learnLesson, stepLesson } from './lesson.ts';
import { Understood } from './Understood.tsx';
import { t } from '../../../messages/t.ts';
import { WordsField } from '../../fields/WordsField.tsx';

const arrival = z.object({ text: z.string().max(200_000) });

/** A host is taught from links and codes that somebody has anyway. */
export function Teach(): ReactElement {
  const store = useStore() as Store;
  const dispatch = useAppDispatch();
  const navigate = useNavigate();
  const { id } = useParams();
  const brought = arrival.safeParse(useLocation().state as unknown).data?.text;
  const before = useAppSelector(selectCards).find((card) => card.id === id);
  const [lesson, step] = useReducer(stepLesson, null, () =>
    brought === undefined ? beginLesson([]) : stepLesson(beginLesson([]), { do: 'bring', text: brought }),
  );
  useEffect(() => {
    if (id === undefined) return;
    void findLesson(id).then(({ examples, putRight }) => {
      if (examples.length > 0) step({ do: 'again', examples, putRight });
    });
  }, [id]);
  const today = new Date().toISOString().slice(0, 10);
  const { card, facts, questions, unexplained } = useMemo(() => learnLesson(lesson, today, before), [lesson, today, before]);
  const [question] = questions;
  const asked = questions.filter((one): one is WhatDoes => one.code === 'whatDoes');
  const keep = async (): Promise<void> => {
    if (!card) return;
    await keepTaught(store, card, {
      examples: [...lesson.examples],
      putRight: { dropped: [...lesson.dropped], parts: [...lesson.parts], edges: [...lesson.edges] },
    });
    const link = lesson.examples.find((one) => one.link !== undefined)?.link;
    if (link === undefined) return void (await navigate(`/hosts/${card.id}`));
    dispatch(broughtIn(link));
    await navigate('/');
  };
  return (
    <div className="teach">
      <header>
        <h1>{t('Teach a host')}</h1>
        <p className="mt-1 mb-0 max-w-[70ch]">
          {t(
            'Paste a link and the embed code that the host gives for it; then the code with one thing changed. What can be known from them is drawn at once.',
          )}
        </p>
      </header>
      <section className="brought max-tablet:contents" aria-label={t('What was brought')}>
        <BringExamples bring={(text) => step({ do: 'bring', text })} />
        <Examples examples={lesson.examples} unexplained={unexplained} remove={(example) => step({ do: 'remove', example })} />
        <Button disabled={lesson.past.length === 0} onClick={() => step({ do: 'undo' })}>
          {t('Undo')}
        </Button>
      </section>
      <section aria-label={t('What is understood')}>
        <div role="status">
          {asked.length > 0 && (
            <Ask key={JSON.stringify(asked)} questions={asked} answer={(answers) => step({ do: 'say', answers })} />
          )}
          {asked.length === 0 && question && <p className="teach-question">{sayQuestion(question)}</p>}
          {card && !question && <p className="teach-question">{t('Nothing is open. Keep the host, or bring more of it.')}</p>}
        </div>
        {card && (
          <>
            <Understood
              card={card}
              facts={facts}
              name={lesson.name}
              call={(name) => step({ do: 'call', name })}
              judge={(kind) => step({ do: 'judge', kind })}
              drop={(setting) => step({ do: 'drop', setting })}
              brought={lesson.examples.flatMap(({ link }) => link ?? [])}
              say={(part) => step({ do: 'part', part })}
              move={(edge) => step({ do: 'edge', edge })}
            />
            <Button variant="contained" onClick={() => void keep()}>
              {t('Keep this host')}
            </Button>
          </>
        )}
      </section>
    </div>
  );
}

/** Whatever is pasted is taken at once; what is typed, with the button. */
function BringExamples({ bring }: { bring: (text: string) => void }): ReactElement {
  const [text, setText] = useState('');
  return (
    <form
      className="bring grid gap-1 [&_button]:justify-self-start"
      onSubmit={(event) => {
        event.preventDefault();
        bring(text);
        setText('');
      }}
    >
      <WordsField
        label={t('Links and embed codes, in any order')}
        labelled="above"
        lines={3}
        value={text}
        set={setText}
        control={{
          autoFocus: true,
          onPaste: (event) => {
            const pasted = event.clipboardData.getData('text/plain');
            if (text !== '' || pasted.trim() === '') return;
            event.preventDefault();
            bring(pasted);
          },
        }}
      />
      <Button type="submit" variant="outlined">
        {t('Take these')}
      </Button>
    </form>
  );
}
