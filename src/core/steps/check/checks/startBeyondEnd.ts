import { showTime } from '../../../model/time.ts';
import { defineCheck, NOTHING, placeOf } from '../rule.ts';

export const startBeyondEnd = defineCheck({
  id: 'startBeyondEnd',
  severity: 'error',
  holds: 'It starts within the item',
  about: 'A start behind the end of the item shows nothing, or its last picture.',
  run: ({ settings, facts, code }) => {
    const start = Number(settings.start ?? NaN);
    if (facts.duration === undefined || !(start >= facts.duration)) return NOTHING;
    const change = { start: null };
    const [actual, expected] = [showTime(start), showTime(facts.duration)];
    return [{ place: placeOf(code, 'start'), actual, expected, remedy: { by: 'settings', change } }];
  },
});
