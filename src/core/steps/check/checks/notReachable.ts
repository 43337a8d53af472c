import type { Reached } from '../../../proof/reach/reached.ts';
import { defineCheck, NOTHING, placeOf } from '../rule.ts';

/** Visitors would see nothing at all. */
const BLANK: ReadonlySet<Reached['code']> = new Set([
  'notReleased',
  'keyMissing',
  'mustSignIn',
  'closed',
  'refusesFraming',
  'httpOnly',
  'gone',
]);

export const notReachable = defineCheck({
  id: 'notReachable',
  severity: 'error',
  holds: 'Visitors can see it',
  about:
    'The frame address is asked as a visitor who is signed in nowhere; what keeps the frame blank is told, and what to do at the host.',
  asks: true,
  run: ({ reached, code }) => {
    if (!reached) return NOTHING;
    return reached
      .filter((one) => BLANK.has(one.code))
      .map((one) => ({ place: placeOf(code, 'item'), actual: one.code, expected: 'reachable', reached: one }));
  },
});
