import type { SettingsFix } from '../model/plan.ts';
import type { Proof } from './playThrough/proof.ts';

/** What the publisher would do next with an embed. */
export type NextStep =
  /** With the settings that wait for what is pasted. */
  | { code: 'paste'; waiting: SettingsFix }
  | { code: 'fix'; count: number }
  | { code: 'prove' }
  | { code: 'differs'; count: number }
  | { code: 'copy' }
  | { code: 'place' };

interface Work {
  code: { text: string };
  findings: readonly { severity: string }[];
}

interface Done {
  /** The code that was taken last. */
  copied: string | null;
  /** The last play-through. */
  proof: Proof | null;
  /** What was set before there is anything to set it on. */
  waiting: SettingsFix;
}

/** The next step for the work in hand. */
export function nextStep(work: Work | null, { copied, proof, waiting }: Done): NextStep {
  if (!work) return { code: 'paste', waiting };
  const errors = work.findings.filter(({ severity }) => severity === 'error').length;
  if (errors > 0) return { code: 'fix', count: errors };
  if (copied === work.code.text) return { code: 'place' };
  if (proof?.code !== work.code.text) return { code: 'prove' };
  const differing = proof.rows.filter(({ verdict }) => verdict === 'differs').length;
  return differing > 0 ? { code: 'differs', count: differing } : { code: 'copy' };
}
