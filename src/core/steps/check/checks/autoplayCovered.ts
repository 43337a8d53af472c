import { defineCheck, NOTHING, placeOf } from '../rule.ts';

export const autoplayCovered = defineCheck({
  id: 'autoplayCovered',
  severity: 'note',
  holds: 'Nothing begins twice over',
  about: 'Behind a cover the press begins the player; to begin by itself has no meaning there.',
  run: ({ settings, plan, code }) => {
    if (plan.pressed === null || settings.autoplay !== 'on') return NOTHING;
    const change = { autoplay: null };
    return [{ place: placeOf(code, 'autoplay'), actual: 'on', expected: 'off', remedy: { by: 'settings', change } }];
  },
});
