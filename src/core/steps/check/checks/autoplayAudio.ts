import { defineCheck, NOTHING, placeOf } from '../rule.ts';

export const autoplayAudio = defineCheck({
  id: 'autoplayAudio',
  severity: 'warning',
  holds: 'No sound waits for a browser’s leave',
  about: 'Browsers refuse to start sound from another address by itself, even muted, until the visitor has clicked on the page.',
  run: ({ item, settings, plan, code }) => {
    const sent = plan.entries.some((e) => e.setting === 'autoplay' && e.sent.length > 0);
    if (item.kind !== 'audio' || settings.autoplay !== 'on' || !sent) return NOTHING;
    return [
      { place: placeOf(code, 'autoplay'), actual: 'on', expected: 'off', remedy: { by: 'settings', change: { autoplay: null } } },
    ];
  },
});
