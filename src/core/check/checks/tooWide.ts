import { defineCheck, NOTHING, placeOf } from '../rule.ts';

export const tooWide = defineCheck({
  id: 'tooWide',
  severity: 'error',
  holds: 'It fits the column',
  about: 'A frame of fixed width that is wider than the column of the site is cut off, or pushes the page sideways.',
  run: ({ plan: { box }, code, site }) => {
    const rigid = box.mode === 'fixed' || code.form === 'fixed';
    if (!site || !code.framed || !rigid || box.width <= site.column) return NOTHING;
    const change =
      code.form === 'fixed'
        ? ({ widthMode: 'fixed', width: site.column } as const)
        : ({ widthMode: 'atMost', width: site.column } as const);
    return [
      {
        place: placeOf(code, box.widthFrom),
        actual: String(box.width),
        expected: String(site.column),
        remedy: { by: 'settings', change },
      },
    ];
  },
});
