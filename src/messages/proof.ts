import { showTime } from '../core/model/time.ts';
import type { Answer, Proof, ProofRow } from '../core/proof/playThrough/proof.ts';
import type { QuestionId } from '../core/proof/playThrough/questions/list.ts';
import { t } from './t.ts';

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
    say: oneOf({ nothing: t('nothing is loaded before a press'), host: t('the host is asked as the page opens') }),
    ask: () => t('Did it load nothing before a press?'),
  },
  showsTitle: {
    say: oneOf({ on: t('shows the title'), off: t('shows no title') }),
    ask: (expected) => (expected === 'off' ? t('Was the title hidden?') : t('Did it show the title?')),
  },
  begins: {
    say: oneOf({ itself: t('begins by itself'), press: t('waits for a press') }),
    ask: (expected) => (expected === 'itself' ? t('Did it begin by itself?') : t('Did it wait for a press?')),
  },
  sound: {
    say: oneOf({ muted: t('is muted'), sounding: t('has sound') }),
    ask: (expected) => (expected === 'muted' ? t('Was it silent?') : t('Did it sound?')),
  },
  startsAt: { say: (v) => t('begins at {v}', { v: at(v) }), ask: (v) => t('Did it begin at {v}?', { v: at(v ?? 0) }) },
  opensAt: { say: (v) => t('opens at page {v}', { v }), ask: (v) => t('Did it open at page {v}?', { v }) },
  showsControls: {
    say: oneOf({ on: t('shows controls'), off: t('shows no controls') }),
    ask: (expected) => (expected === 'off' ? t('Were the controls hidden?') : t('Did it show controls?')),
  },
  advances: { say: (v) => t('turns after {v} s', { v }), ask: (v) => t('Did it turn after {v} seconds?', { v }) },
  endsAt: {
    say: (v) => (v === 'on' ? t('plays on') : t('ends at {v}', { v: at(v) })),
    ask: (v) => t('Did it end at {v}?', { v: at(v ?? 0) }),
  },
  afterwards: {
    say: oneOf({
      again: t('then begins again'),
      same: t('suggests its own channel'),
      any: t('suggests anything'),
      none: t('suggests nothing'),
      stops: t('then stands still'),
    }),
    ask: oneOfAsked({
      again: t('Did it begin again?'),
      same: t('Did it suggest only its own channel at the end?'),
      none: t('Did it suggest nothing at the end?'),
    }),
  },
};

function oneOfAsked(words: Record<string, string>) {
  return (expected: Answer | null): string => words[String(expected)] ?? t('Was the end as you want it?');
}

/** What was seen, in a few words; where nothing was, what a person is asked. */
export const sayObserved = ({ question, expected, observed, verdict, by }: ProofRow): string => {
  const { say, ask } = WORDS[question as QuestionId];
  if (observed !== null) return say(observed);
  if (by === 'person' && expected !== null)
    return verdict === 'as asked' ? say(expected) : t('this did not happen: {expected}', { expected: say(expected) });
  return ask(expected);
};

/** What had been asked for. */
export const sayExpected = ({ question, expected }: ProofRow): string =>
  expected === null ? '' : WORDS[question as QuestionId].say(expected);

/** A play-through in one line. */
export function sayProof({ rows }: Pick<Proof, 'rows'>): string {
  const count = (verdict: ProofRow['verdict']): number => rows.filter((row) => row.verdict === verdict).length;
  const [wrong, unseen] = [count('differs'), count('not seen')];
  if (wrong === 0 && unseen === 0) return t('everything happened as asked');
  return [
    ...(wrong > 0 ? [t('{count, plural, one {# thing} other {# things}} not as asked', { count: wrong })] : []),
    ...(unseen > 0 ? [t('{unseen} could not be seen', { unseen })] : []),
  ].join(', ');
}
