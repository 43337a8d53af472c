import { Button } from '@mui/material';
import { useState, type ReactElement } from 'react';
import { SETTINGS, type SettingId, type Settings } from '../../../core/known/settings/list.ts';
import type { Guess } from '../../../core/known/hosts/guess.ts';
import type { Question } from '../../../core/teach/questions.ts';
import { saySetting } from '../../../messages/settings.ts';
import { SettingPick } from '../../ui/SettingPick.tsx';
import { t } from '../../../messages/t.ts';
import { ChoiceField } from '../../fields/ChoiceField.tsx';

/** Settings that only a host can do. */
const OF_HOSTS = SETTINGS.filter(({ moment }) => moment !== 'frame' && moment !== 'around');

export type WhatDoes = Extract<Question, { code: 'whatDoes' }>;

/** What a code was said to do; null where it is to be left out. */
export interface Answer {
  example: number;
  settings: Settings | null;
}

interface Props {
  questions: readonly WhatDoes[];
  answer: (answers: Answer[]) => void;
}

type Choice = Guess | 'other' | null;

/** All that codes have more than the plain ones, each with what it most likely does: put right where it is wrong, then taken at once. */
export function Ask({ questions, answer }: Props): ReactElement {
  const [chosen, setChosen] = useState<ReadonlyMap<string, Choice>>(new Map());
  const choiceOf = (key: string, likely: readonly Guess[]): Choice =>
    chosen.get(key) ?? (chosen.has(key) ? null : (likely[0] ?? 'other'));
  const choose = (key: string, choice: Choice): void => setChosen(new Map([...chosen, [key, choice]]));
  const rows = questions.flatMap(({ example, parts }) => parts.map((part, i) => ({ ...part, example, key: `${example}:${i}` })));
  const open = rows.some(({ key, likely }) => choiceOf(key, likely) === 'other');
  const take = (): void =>
    answer(
      questions.map(({ example, parts }) => {
        const choices = parts.map(({ likely }, i) => choiceOf(`${example}:${i}`, likely));
        const known = choices.filter((choice) => choice !== null && choice !== 'other');
        const settings = Object.fromEntries(known.map(({ setting, value }) => [setting, value])) as Settings;
        return { example, settings: known.length === choices.length ? settings : null };
      }),
    );
  return (
    <div className="teach-question" role="group" aria-label={t('What do these do?')}>
      <p className="mt-0 mb-2">{t('These codes have more than the plain one. What does it do?')}</p>
      <ul className="mb-2 font-normal">
        {rows.map(({ key, name, text, likely, example }) => (
          <li key={key} className="line py-0.5 [&_code]:min-w-[120px]">
            <code>{text === '' || name === '' ? name + text : `${name}=${text}`}</code>{' '}
            <Meaning
              label={t('What {name} does in example {example}', { name: name === '' ? text : name, example: example + 1 })}
              likely={likely}
              choice={choiceOf(key, likely)}
              choose={(choice) => choose(key, choice)}
            />
          </li>
        ))}
      </ul>
      <Button variant="contained" disabled={open} onClick={take}>
        {t('That is right')}
      </Button>
    </div>
  );
}

interface MeaningProps {
  label: string;
  likely: readonly Guess[];
  choice: Choice;
  choose: (choice: Choice) => void;
}

function Meaning({ label, likely, choice, choose }: MeaningProps): ReactElement {
  const known = choice !== null && choice !== 'other' && !likely.includes(choice) ? [...likely, choice] : likely;
  const value = choice === null ? 'leave' : choice === 'other' ? 'other' : String(known.indexOf(choice));
  const read = (text: string): Choice => (text === 'leave' ? null : text === 'other' ? 'other' : known[Number(text)]!);
  return (
    <>
      <ChoiceField
        label={label}
        labelled="hidden"
        value={String(value)}
        options={[
          ...known.map(({ setting, value: told }, i) => [String(i), saySetting(setting, told)] as const),
          ['other', t('something else …')],
          ['leave', t('leave this code out')],
        ]}
        set={(one) => choose(read(one))}
      />
      {choice === 'other' && (
        <SettingPick
          possible={OF_HOSTS}
          words={t('That is it')}
          take={(setting: SettingId, told) => choose({ setting, value: told })}
        />
      )}
    </>
  );
}
