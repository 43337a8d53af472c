import { defineCheck, NOTHING, placeOf, takesEffect } from '../rule.ts';

export const severalStart = defineCheck({
  id: 'severalStart',
  severity: 'warning',
  holds: 'Nothing else on the page starts by itself',
  about: 'Two embeds that start by themselves play over each other, or one of them is stopped by the browser.',
  run: ({ siblings, plan, code }) => {
    const others = siblings?.starting ?? 0;
    if (others === 0 || plan.pressed !== null || !takesEffect(plan, 'autoplay', 'on')) return NOTHING;
    const change = { autoplay: 'off' };
    return [{ place: placeOf(code, 'autoplay'), actual: String(others), expected: '', remedy: { by: 'settings', change } }];
  },
});
