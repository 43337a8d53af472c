import { defineCheck, NOTHING, placeOf } from '../rule.ts';

/** Bytes; the weight of a page’s other pictures. */
const HEAVY = 150_000;

export const coverHeavy = defineCheck({
  id: 'coverHeavy',
  severity: 'warning',
  holds: 'The cover is light',
  about: 'A picture in the code is loaded with the page, by every visitor, whether they look at the embed or not.',
  run: ({ settings, plan, code }) => {
    const bytes = (String(settings.cover ?? '').length * 3) / 4;
    if (plan.pressed === null || bytes <= HEAVY) return NOTHING;
    return [
      {
        place: placeOf(code, 'load'),
        actual: String(Math.round(bytes / 1000)),
        expected: String(HEAVY / 1000),
        remedy: { by: 'asking', setting: 'cover' },
      },
    ];
  },
});
