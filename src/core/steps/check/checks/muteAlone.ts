import { defineCheck, NOTHING, placeOf, takesEffect } from '../rule.ts';

export const muteAlone = defineCheck({
  id: 'muteAlone',
  severity: 'note',
  holds: 'Who presses play hears it',
  about: 'A player that does not begin by itself needs not be muted: who presses play wants to hear it.',
  run: ({ settings, plan, code }) => {
    if (!takesEffect(plan, 'mute', 'on') || settings.autoplay === 'on') return NOTHING;
    const change = { mute: null };
    return [{ place: placeOf(code, 'mute'), actual: 'on', expected: 'off', remedy: { by: 'settings', change } }];
  },
});
