import type { Proof } from './playThrough/proof.ts';

/** What the publisher would do next with an embed. */
export type NextStep =
  | { code: 'paste' }
  | { code: 'fix'; count: number }
  | { code: 'prove' }
  | { code: 'differs'; count: number }
  | { code: 'copy' }
  | { code: 'place' };

interface Work {
  code: { text: string };
  findings: readonly { severity: string }[];
}

/** The next step for the work in hand, if any: `copied` is the code that was taken last, `proof` the last play-through. */
export function nextStep(work: Work | null, { copied, proof }: { copied: string | null; proof: Proof | null }): NextStep {
  if (!work) return { code: 'paste' };
  const errors = work.findings.filter(({ severity }) => severity === 'error').length;
  if (errors > 0) return { code: 'fix', count: errors };
  if (copied === work.code.text) return { code: 'place' };
  if (proof?.code !== work.code.text) return { code: 'prove' };
  const differing = proof.rows.filter(({ verdict }) => verdict === 'differs').length;
  return differing > 0 ? { code: 'differs', count: differing } : { code: 'copy' };
}
