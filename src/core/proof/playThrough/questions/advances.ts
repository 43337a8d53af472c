import { defineQuestion, within } from '../question.ts';
import { whilePlaying } from '../seen.ts';

export const advances = defineQuestion({
  id: 'advances',
  moment: 'during',
  setting: 'interval',
  kinds: ['slideshow', 'booklet'],
  expected: ({ interval, autoplay }) => (typeof interval === 'number' && autoplay === 'on' ? interval : null),
  observed: ({ visit }) => {
    const turns = whilePlaying(visit).filter((one, i, all) => one.page !== undefined && one.page !== all[i - 1]?.page);
    const [last, earlier] = [turns.at(-1), turns.at(-2)];
    return last && earlier ? Math.round((last.at - earlier.at) / 100) / 10 : null;
  },
  agrees: within((seconds) => 0.35 * seconds + 0.4),
});
