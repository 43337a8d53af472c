import { defineQuestion } from '../question.ts';
import { reportsOf } from '../seen.ts';

export const showsTitle = defineQuestion({
  id: 'showsTitle',
  moment: 'arrive',
  setting: 'showTitle',
  kinds: ['video', 'audio', 'podcast', 'recording'],
  expected: ({ showTitle }) => (showTitle === undefined ? null : String(showTitle)),
  observed: ({ visit }) => {
    const shown = reportsOf(visit).findLast(({ showsTitle }) => showsTitle !== undefined);
    return shown ? (shown.showsTitle ? 'on' : 'off') : null;
  },
});
