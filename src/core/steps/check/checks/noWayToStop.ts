import { defineCheck, MOVING, NOTHING, placeOf, takesEffect } from '../rule.ts';

export const noWayToStop = defineCheck({
  id: 'noWayToStop',
  severity: 'error',
  holds: 'What moves can be stopped',
  about:
    'What moves by itself for longer than five seconds must offer a way to stop it (WCAG 2.2, 2.2.2); without controls there is none.',
  run: ({ item, settings, plan, code }) => {
    const begins = takesEffect(plan, 'autoplay', 'on') || takesEffect(plan, 'loop', 'on');
    if (!MOVING.includes(item.kind) || settings.controls !== 'off' || !takesEffect(plan, 'controls', 'off') || !begins)
      return NOTHING;
    const change = { controls: null };
    return [{ place: placeOf(code, 'controls'), actual: 'off', expected: 'on', remedy: { by: 'settings', change } }];
  },
});
