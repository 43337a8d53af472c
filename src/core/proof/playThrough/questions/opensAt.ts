import { defineQuestion, TURNS } from '../question.ts';
import { reportsOf } from '../seen.ts';

export const opensAt = defineQuestion({
  id: 'opensAt',
  moment: 'begin',
  setting: 'page',
  kinds: TURNS,
  expected: ({ page }) => (typeof page === 'number' ? page : 1),
  observed: ({ visit }) => reportsOf(visit).find(({ page }) => page !== undefined)?.page ?? null,
});
