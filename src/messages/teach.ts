import type { HostCard, Pack } from '../core/known/hosts/card.ts';
import type { SettingId } from '../core/known/settings/list.ts';
import type { Fact } from '../core/teach/facts.ts';
import type { Unexplained, Why } from '../core/teach/observe.ts';
import type { Question } from '../core/teach/questions.ts';
import { showList, t } from './t.ts';
import { labelOf } from './labels.ts';

/** Examples are counted from 1 for people. */
const numbers = (from: readonly number[]): string => from.map((i) => i + 1).join(', ');
const examples = (from: readonly number[]): string =>
  from.length === 1 ? t('example {from}', { from: numbers(from) }) : t('examples {from}', { from: numbers(from) });

export const CERTAINTY_WORDS: Record<Fact['certainty'], string> = {
  certain: t('certain'),
  likely: t('likely'),
  byHand: t('set by hand'),
};

export const sayFact = ({ at, certainty, from }: Fact): string =>
  `${at}: ${CERTAINTY_WORDS[certainty]}${from.length > 0 ? t(', from {from}', { from: examples(from) }) : ''}.`;

const WHY: Record<Why, string> = {
  noSource: t('There is neither a link nor a code in it.'),
  nothingShared: t('Its link and its code have nothing in common. They may be of two items, or of two hosts.'),
  otherHost: t('It is of another host than most of the examples. Teach each host by itself.'),
  alone: t('Nothing was brought that goes with it: a link needs its code, and a code its link.'),
  asked: t('Its code has more than the plain one. Say what that does.'),
  innerPart: t('Its frame address holds something that is not in the link, so its page is asked for it.'),
  notSeen: t('Its code does not differ from the plain one in a way that can be told.'),
  otherwise: t('What the other examples show makes another code of its link.'),
  refused: t('What it shows cannot be said in a host card.'),
  runsBesides: t('Something runs in its code that is no part of the embed. The card leaves it out.'),
  scriptElsewhere: t('Its script comes from another host than its link. Keep the card only if the host itself says so.'),
};

export const sayWhy = ({ why, part }: Unexplained): string =>
  `${WHY[why]}${part === undefined ? '' : NAMED.has(why) ? ` (${part})` : t(' It is {part}.', { part: sayPlace(part) })}`;

/** Where the part is a name, and no place in an address. */
const NAMED: ReadonlySet<Why> = new Set(['runsBesides', 'scriptElsewhere']);

export const sayUnexplained = (told: Unexplained): string =>
  t('Example {example}: {told}', { example: told.example + 1, told: sayWhy(told) });

export const sayFrom = (from: readonly number[]): string => t('from {from}', { from: examples(from) });

/** How a host spells a setting: where it stands, and what stands there. */
export function saySpelt(id: SettingId, card: HostCard): string {
  const use = card.settings[id];
  if (!use || use.in === 'nowhere') return '';
  if (use.in === 'origin') return t('another domain');
  const { name, spelling, in: place } = use;
  const words =
    spelling.form === 'words'
      ? Object.values(spelling.words).map((word) => [word].flat()[0]!)
      : [FORM_WORDS[spelling.form] ?? spelling.form];
  const named = showList(
    words.map((word) => (word === '' ? name : name === '' || place === 'path' ? word : `${name}=${word}`)),
    'disjunction',
  );
  const within = use.pack === undefined ? '' : sayWithin(card.packs[use.pack]);
  return `${place === 'fragment' ? '#' : ''}${named}${within}`;
}

/** Where several settings are joined in one. */
function sayWithin(pack: Pack | undefined): string {
  if (!pack || pack.in === 'path') return t(', joined with others in the path');
  return t(', joined with others in {in}', {
    in: pack.in === 'fragment' && pack.name === '' ? t('the part behind the #') : pack.name,
  });
}

/** Spellings of values, each as one and a quarter minutes, a red, a number or a language would be. */
export const FORM_WORDS: Readonly<Record<string, string>> = {
  seconds: '72',
  milliseconds: '72000',
  units: '1m12s',
  allUnits: '0h1m12s',
  clock: '1:12',
  longClock: '00:01:12',
  minuteClock: '01:12',
  iso8601: 'PT1M12S',
  hex: 'cc0000',
  hashHex: '#cc0000',
  upperHex: 'CC0000',
  hashUpperHex: '#CC0000',
  colourName: 'red',
  rgb: 'rgb(204,0,0)',
  rgbNumbers: '204,0,0',
  text: t('as it is'),
  underscored: 'en_GB',
  upperCase: 'EN',
  numberFromOne: t('a number'),
  numberFromZero: t('a number, counted from 0'),
  scaled: t('a number'),
  list: t('a list'),
};

/** `query:v` and `path:1`, in words. */
function sayPlace(place: string): string {
  const [kind, name = ''] = place.split(':');
  if (kind === 'query') return t('the parameter “{name}”', { name });
  if (kind === 'attr') return t('the attribute “{name}”', { name });
  return kind === 'path' ? t('part {name} of the path', { name: Number(name) + 1 }) : t('the part behind the #');
}

/** What to bring next, and what it would settle. */
export function sayQuestion(question: Question): string {
  switch (question.code) {
    case 'bringPair':
      return t('Paste a link, and the embed code that the host gives for it.');
    case 'bringCounterpart':
      return question.missing === 'code'
        ? t('Paste the embed code that the host gives for the link of example {example}.', { example: question.example + 1 })
        : t('Paste the link of the item in example {example}.', { example: question.example + 1 });
    case 'whatDoes':
      return t('What does {parts} do in the code of example {example}?', {
        parts: showList(question.parts.map(({ name, text }) => `“${name}${name !== '' && text !== '' ? '=' : ''}${text}”`)),
        example: question.example + 1,
      });
    case 'secondItem':
      return t('Paste the link and the code of a second item, so that it shows which part names it.');
    case 'innerPart':
      return question.part === undefined
        ? t(
            'The frame address holds something that is not in the link. Its pages are asked for it, on the Bench, in a batch, and on the command line with --ask.',
          )
        : t(
            'The frame address holds something that is not in the link ({part}). Its pages are asked for it, on the Bench, in a batch, and on the command line with --ask.',
            { part: sayPlace(question.part) },
          );
    case 'twoAtOnce':
      return t('Paste a code with two of these set at once, to show what stands between them: {settings}.', {
        settings: question.settings.map(labelOf).join(', '),
      });
    case 'otherValue':
      return t('Paste the code with another value of “{setting}”, to show how it is spelt.', {
        setting: labelOf(question.setting),
      });
  }
}
