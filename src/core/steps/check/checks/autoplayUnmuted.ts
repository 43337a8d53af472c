import { defineCheck, NOTHING, placeOf } from '../rule.ts';

export const autoplayUnmuted = defineCheck({
  id: 'autoplayUnmuted',
  severity: 'error',
  holds: 'Nothing starts with sound by itself',
  about: 'Browsers refuse to start a video with sound before the visitor has clicked on the page; muted, it starts.',
  run: ({ plan, code }) => {
    const autoplay = plan.entries.find((e) => e.setting === 'autoplay');
    if (autoplay?.reason.code !== 'autoplayNeedsMute') return NOTHING;
    return [
      {
        place: placeOf(code, 'autoplay'),
        actual: 'with sound',
        expected: 'muted',
        remedy: { by: 'settings', change: autoplay.fix! },
      },
    ];
  },
});
