import { defineQuestion, PLAYS } from '../question.ts';
import { before, reportsOf } from '../seen.ts';

export const begins = defineQuestion({
  id: 'begins',
  moment: 'begin',
  setting: 'autoplay',
  kinds: [...PLAYS.filter((kind) => kind !== 'loop'), 'slideshow'],
  expected: ({ autoplay, load }) => (autoplay === 'on' && load !== 'ask' ? 'itself' : 'press'),
  observed: ({ visit }) => {
    const told = reportsOf(before(visit, 'press'));
    if (told.some(({ event }) => event === 'playing')) return 'itself';
    return reportsOf(visit).length > 0 ? 'press' : null;
  },
});
