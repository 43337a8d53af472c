import { defineQuestion, within } from '../question.ts';
import { SHORTLY } from '../course.ts';
import { overIn, reportsOf } from '../seen.ts';

export const endsAt = defineQuestion({
  id: 'endsAt',
  moment: 'end',
  setting: 'end',
  kinds: ['video', 'audio', 'podcast', 'recording'],
  expected: ({ end }) => (typeof end === 'number' ? end : null),
  observed: ({ end }) => {
    const over = overIn(end);
    if (over) return Math.round(over.at);
    const times = reportsOf(end).flatMap(({ time }) => time ?? []);
    return times.at(-1)! > times[0]! + SHORTLY + 2 ? 'on' : null;
  },
  agrees: within(() => 1.5),
});
