import { defineQuestion, within } from '../question.ts';
import { before, whilePlaying } from '../seen.ts';

/** Milliseconds within which a player has found its place. */
const SETTLED = 700;

export const startsAt = defineQuestion({
  id: 'startsAt',
  moment: 'begin',
  setting: 'start',
  kinds: ['video', 'audio', 'podcast', 'recording'],
  expected: ({ start }) => (typeof start === 'number' ? start : 0),
  observed: ({ visit }) => {
    const timed = whilePlaying(before(visit, 'seek')).filter(({ time }) => time !== undefined);
    const settled = timed.findLast(({ at }) => at - timed[0]!.at <= SETTLED);
    return settled ? Math.round(settled.time!) : null;
  },
  agrees: within(
    () => 1,
    () => 2,
  ),
});
