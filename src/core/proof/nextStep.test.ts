import { describe, expect, test } from 'vitest';
import type { Proof, ProofRow } from './playThrough/proof.ts';
import { nextStep } from './nextStep.ts';

const CODE = '<iframe src="https://media.example/a"></iframe>';
const work = (...severities: ('error' | 'warning')[]) => ({
  code: { text: CODE },
  findings: severities.map((severity) => ({ severity })),
});
const proof = (code: string, ...verdicts: ProofRow['verdict'][]) =>
  ({ code, rows: verdicts.map((verdict) => ({ verdict })) }) as Proof;
const NOTHING = { copied: null, proof: null, waiting: {} };

describe('the next step', () => {
  test('follows the order of the work', () => {
    expect(nextStep(null, NOTHING)).toEqual({ code: 'paste', waiting: {} });
    expect(nextStep(null, { ...NOTHING, waiting: { mute: 'on' } })).toEqual({ code: 'paste', waiting: { mute: 'on' } });
    expect(nextStep(work(), NOTHING)).toEqual({ code: 'prove' });
    expect(nextStep(work(), { ...NOTHING, proof: proof(CODE, 'as asked') })).toEqual({ code: 'copy' });
    expect(nextStep(work(), { ...NOTHING, copied: CODE })).toEqual({ code: 'place' });
  });

  test('is to mend what stands in the way, whatever else was done', () => {
    expect(nextStep(work('error', 'warning', 'error'), { ...NOTHING, copied: CODE })).toEqual({ code: 'fix', count: 2 });
    expect(nextStep(work('warning'), NOTHING)).toEqual({ code: 'prove' });
  });

  test('is to look at what did not happen as asked', () => {
    const differs = proof(CODE, 'differs', 'as asked', 'differs');
    expect(nextStep(work(), { ...NOTHING, proof: differs })).toEqual({ code: 'differs', count: 2 });
  });

  test('of a code that was changed since is as if nothing had been proved or copied', () => {
    expect(nextStep(work(), { ...NOTHING, copied: 'another', proof: proof('another', 'as asked') })).toEqual({ code: 'prove' });
  });
});
