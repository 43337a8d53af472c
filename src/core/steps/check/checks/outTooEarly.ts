import { defineCheck, NOTHING, placeOf } from '../rule.ts';

export const outTooEarly = defineCheck({
  id: 'outTooEarly',
  severity: 'warning',
  holds: 'The page goes out no earlier than the item',
  about:
    'An item that the public may not see yet leaves an empty frame in a page that goes out before it. A cover that says when it comes loads nothing until then.',
  run: ({ plan, settings, code, facts: { out, pageOut } }) => {
    if (out === undefined || (pageOut !== undefined && pageOut >= out)) return NOTHING;
    if (plan.pressed !== null && settings.coverWords !== undefined) return NOTHING;
    return [
      {
        place: placeOf(code, 'item'),
        actual: pageOut ?? '',
        expected: out,
        remedy: { by: 'asking', setting: 'coverWords' },
      },
    ];
  },
});
