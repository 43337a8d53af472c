import type { Reached } from '../../../proof/reach/reached.ts';
import type { Remedy } from '../finding.ts';
import { defineCheck, NOTHING, placeOf } from '../rule.ts';

const ODD: ReadonlySet<Reached['code']> = new Set(['notYet', 'moved', 'slow', 'hostTrouble', 'noAnswer']);

export const reachedOddly = defineCheck({
  id: 'reachedOddly',
  severity: 'warning',
  holds: 'The host answers at once',
  about: 'The frame address answers, but late, from elsewhere, with a fault, or not before a date.',
  asks: true,
  run: ({ reached, code, item }) => {
    if (!reached) return NOTHING;
    return reached
      .filter((one) => ODD.has(one.code))
      .map((one) => {
        const found = { place: placeOf(code, 'item'), actual: one.code, expected: 'reachable', reached: one };
        if (one.code !== 'moved' || item.frame === null) return found;
        const remedy: Remedy = { by: 'text', replace: item.frame, with: one.to };
        return { ...found, remedy };
      });
  },
});
