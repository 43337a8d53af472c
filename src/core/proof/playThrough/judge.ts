import type { Kind } from '../../model/kind.ts';
import type { ProofRow, Sighting } from './proof.ts';
import type { Settings } from '../../known/settings/list.ts';
import type { Question } from './question.ts';
import { QUESTIONS } from './questions/list.ts';

/** What was asked of an embed beside what was seen of it; questions that nobody asked and nobody saw are left out. */
export function judge({ kind, settings }: { kind: Kind; settings: Settings }, sighting: Sighting): ProofRow[] {
  return QUESTIONS.filter(({ kinds }) => kinds.includes(kind)).flatMap((question: Question): ProofRow[] => {
    const [expected, observed] = [question.expected(settings), question.observed(sighting)];
    if (expected === null && observed === null) return [];
    return [{ question: question.id, expected, observed, verdict: verdictOf(question, expected, observed), by: 'player' }];
  });
}

function verdictOf(
  { agrees = Object.is }: Question,
  expected: ProofRow['expected'],
  observed: ProofRow['observed'],
): ProofRow['verdict'] {
  if (observed === null) return 'not seen';
  if (expected === null) return 'told';
  return agrees(expected, observed) ? 'as asked' : 'differs';
}

/** The same once a person has said whether it was so. */
export const answered = (row: ProofRow, so: boolean): ProofRow => ({
  ...row,
  verdict: so ? 'as asked' : 'differs',
  by: 'person',
});
