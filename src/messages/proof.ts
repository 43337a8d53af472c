import { showTime } from '../core/model/time.ts';
import type { Answer, Proof, ProofRow } from '../core/proof/playThrough/proof.ts';
import type { QuestionId } from '../core/proof/playThrough/questions/list.ts';

/** Sentences about a play-through. */
interface Words {
  /** What was seen, or is wanted. */
  say: (answer: Answer) => string;
  /** What a person is asked where nothing was seen. */
  ask: (expected: Answer | null) => string;
}

const at = (answer: Answer): string => showTime(Number(answer));
const oneOf =
  (words: Record<string, string>) =>
  (answer: Answer): string =>
    words[answer] ?? String(answer);

const WORDS: Record<QuestionId, Words> = {
  loads: {
    say: oneOf({ nothing: 'nothing is loaded before a press', host: 'the host is asked as the page opens' }),
    ask: () => 'Did it load nothing before a press?',
  },
  showsTitle: {
    say: oneOf({ on: 'shows the title', off: 'shows no title' }),
    ask: (expected) => (expected === 'off' ? 'Was the title hidden?' : 'Did it show the title?'),
  },
  begins: {
    say: oneOf({ itself: 'begins by itself', press: 'waits for a press' }),
    ask: (expected) => (expected === 'itself' ? 'Did it begin by itself?' : 'Did it wait for a press?'),
  },
  sound: {
    say: oneOf({ muted: 'is muted', sounding: 'has sound' }),
    ask: (expected) => (expected === 'muted' ? 'Was it silent?' : 'Did it sound?'),
  },
  startsAt: { say: (v) => `begins at ${at(v)}`, ask: (v) => `Did it begin at ${at(v ?? 0)}?` },
  opensAt: { say: (v) => `opens at page ${v}`, ask: (v) => `Did it open at page ${v}?` },
  showsControls: {
    say: oneOf({ on: 'shows controls', off: 'shows no controls' }),
    ask: (expected) => (expected === 'off' ? 'Were the controls hidden?' : 'Did it show controls?'),
  },
  advances: { say: (v) => `turns after ${v} s`, ask: (v) => `Did it turn after ${v} seconds?` },
  endsAt: { say: (v) => (v === 'on' ? 'plays on' : `ends at ${at(v)}`), ask: (v) => `Did it end at ${at(v ?? 0)}?` },
  afterwards: {
    say: oneOf({
      again: 'then begins again',
      same: 'then shows its own channel’s works',
      any: 'then shows works of others',
      none: 'then shows no other works',
      stops: 'then stands still',
    }),
    ask: oneOfAsked({
      again: 'Did it begin again?',
      same: 'Were the works at the end its own channel’s alone?',
      none: 'Was the end free of other works?',
    }),
  },
};

function oneOfAsked(words: Record<string, string>) {
  return (expected: Answer | null): string => words[String(expected)] ?? 'Was the end as you want it?';
}

/** What was seen, in a few words; where nothing was, what a person is asked. */
export const sayObserved = ({ question, expected, observed, verdict, by }: ProofRow): string => {
  const { say, ask } = WORDS[question as QuestionId];
  if (observed !== null) return say(observed);
  if (by === 'person' && expected !== null)
    return verdict === 'as asked' ? say(expected) : `this did not happen: ${say(expected)}`;
  return ask(expected);
};

/** What had been asked for. */
export const sayExpected = ({ question, expected }: ProofRow): string =>
  expected === null ? '' : WORDS[question as QuestionId].say(expected);

/** A play-through in one line. */
export function sayProof({ rows }: Pick<Proof, 'rows'>): string {
  const count = (verdict: ProofRow['verdict']): number => rows.filter((row) => row.verdict === verdict).length;
  const [wrong, unseen] = [count('differs'), count('not seen')];
  if (wrong === 0 && unseen === 0) return 'everything happened as asked';
  return [
    ...(wrong > 0 ? [`${wrong} ${wrong === 1 ? 'thing' : 'things'} not as asked`] : []),
    ...(unseen > 0 ? [`${unseen} could not be seen`] : []),
  ].join(', ');
}
