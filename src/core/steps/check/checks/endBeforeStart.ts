import { showTime } from '../../../model/time.ts';
import { defineCheck, NOTHING, placeOf } from '../rule.ts';

export const endBeforeStart = defineCheck({
  id: 'endBeforeStart',
  severity: 'error',
  holds: 'The end comes after the start',
  about: 'An end time that is not after the start time leaves nothing to play.',
  run: ({ settings, plan, code }) => {
    const end = plan.entries.find((e) => e.setting === 'end');
    if (end?.reason.code !== 'endBeforeStart') return NOTHING;
    return [
      {
        place: placeOf(code, 'end'),
        actual: showTime(Number(settings.end)),
        expected: showTime(Number(settings.start ?? 0)),
        remedy: { by: 'settings', change: end.fix! },
      },
    ];
  },
});
