import { settingOf } from '../core/known/settings/list.ts';
import type { Fact } from '../core/teach/facts.ts';
import type { Unexplained, Why } from '../core/teach/observe.ts';
import type { Question } from '../core/teach/questions.ts';

/** Examples are counted from 1 for people. */
const numbers = (from: readonly number[]): string => from.map((i) => i + 1).join(', ');
const examples = (from: readonly number[]): string =>
  from.length === 1 ? `example ${numbers(from)}` : `examples ${numbers(from)}`;

export const CERTAINTY_WORDS: Record<Fact['certainty'], string> = {
  certain: 'certain',
  likely: 'likely',
  byHand: 'set by hand',
};

export const sayFact = ({ at, certainty, from }: Fact): string => `${at}: ${CERTAINTY_WORDS[certainty]}, from ${examples(from)}.`;

const WHY: Record<Why, string> = {
  noSource: 'There is no link and no embed code in it.',
  nothingShared: 'Its link and its code have nothing in common. They may be of two items, or of two hosts.',
  otherHost: 'It is of another host than most of the examples. Teach each host by itself.',
  alone: 'Nothing was brought that goes with it: a link needs its code, and a code its link.',
  innerPart: 'Its frame address holds something that is not in the link',
  notSeen: 'Its code does not differ from the plain one in a way that can be told.',
  otherwise: 'What the other examples show makes another code of its link.',
  refused: 'What it shows cannot be said in a host card.',
};

export const sayUnexplained = ({ example, why, part }: Unexplained): string =>
  `Example ${example + 1}: ${WHY[why]}${part === undefined ? '' : ` (${sayPlace(part)}).`}`;

/** `query:v` and `path:1`, in words. */
function sayPlace(place: string): string {
  const [kind, name = ''] = place.split(':');
  if (kind === 'query') return `the parameter “${name}”`;
  if (kind === 'attr') return `the attribute “${name}”`;
  return kind === 'path' ? `part ${Number(name) + 1} of the path` : 'the part behind the #';
}

/** What to bring next, and what it would settle. */
export function sayQuestion(question: Question): string {
  switch (question.code) {
    case 'bringPair':
      return 'Paste a link, and the embed code that the host gives for it.';
    case 'bringCounterpart':
      return question.missing === 'code'
        ? `Paste the embed code that the host gives for the link of example ${question.example + 1}.`
        : `Paste the link of the item in example ${question.example + 1}.`;
    case 'secondItem':
      return 'Paste the link and the code of a second item, so that it shows which part names it.';
    case 'innerPart':
      return `The frame address holds something that is not in the link (${sayPlace(question.part)}). The page must be asked for it.`;
    case 'twoAtOnce':
      return `Paste a code with two of these set at once, to show what stands between them: ${question.settings.map(label).join(', ')}.`;
    case 'otherValue':
      return `Paste the code with another value of “${label(question.setting)}”, to show how it is spelt.`;
  }
}

const label = (id: Parameters<typeof settingOf>[0]): string => settingOf(id).label;
