import type { Range } from '../../../core/model/candidate.ts';
import type { Recognised } from '../../../core/pipeline.ts';
import { sayRefusal, sayRepair } from '../../../messages/reading.ts';

/** Something that is wrong in the code in hand, with its place and its sentence. */
export interface CodeTrouble {
  range: Range;
  severity: 'error' | 'warning';
  words: string;
}

/** What cannot be read in the code in hand, and what could be read only after it was put right. */
export function troublesOf(hand: (Recognised & { text: string }) | null): CodeTrouble[] {
  if (!hand || hand.text.trim() === '') return [];
  const { candidate, refusal } = hand;
  const whole: Range = candidate.range[1] > 0 ? candidate.range : [0, hand.text.length];
  const at = candidate.addressRange ?? whole;
  return [
    ...(refusal ? [{ range: at, severity: 'error' as const, words: sayRefusal(refusal) }] : []),
    ...candidate.repairs.map((repair) => ({ range: at, severity: 'warning' as const, words: sayRepair(repair) })),
  ];
}
