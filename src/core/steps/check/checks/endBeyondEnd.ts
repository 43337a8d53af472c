import { showTime } from '../../../model/time.ts';
import { defineCheck, NOTHING, placeOf } from '../rule.ts';

export const endBeyondEnd = defineCheck({
  id: 'endBeyondEnd',
  severity: 'note',
  holds: 'It ends within the item',
  about: 'An end time behind the end of the item never comes.',
  run: ({ settings, facts, code }) => {
    const end = Number(settings.end ?? 0);
    if (facts.duration === undefined || end <= facts.duration + 1) return NOTHING;
    const change = { end: null };
    const [actual, expected] = [showTime(end), showTime(facts.duration)];
    return [{ place: placeOf(code, 'end'), actual, expected, remedy: { by: 'settings', change } }];
  },
});
