import { defineQuestion, PLAYS } from '../question.ts';
import { reportsOf } from '../seen.ts';

export const showsControls = defineQuestion({
  id: 'showsControls',
  moment: 'during',
  setting: 'controls',
  kinds: PLAYS,
  expected: ({ controls }) => (controls === undefined ? null : String(controls)),
  observed: ({ visit }) => {
    const shown = reportsOf(visit).findLast(({ showsControls }) => showsControls !== undefined);
    return shown ? (shown.showsControls ? 'on' : 'off') : null;
  },
});
