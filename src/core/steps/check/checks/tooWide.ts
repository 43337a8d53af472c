import { defineCheck, NOTHING, placeOf } from '../rule.ts';

export const tooWide = defineCheck({
  id: 'tooWide',
  severity: 'error',
  holds: 'It fits the column',
  about: 'A frame of fixed width that is wider than the column of the site is cut off, or pushes the page sideways.',
  run: ({ item, plan: { box }, code, site }) => {
    const rigid = box.mode === 'fixed' || code.form === 'fixed';
    if (!site || !code.framed || !rigid || box.width <= site.column) return NOTHING;
    // What has a shape of its own keeps it; the height of a form or a player for sound has nothing to do with its width.
    const { height } = box;
    const shaped = item.ratio !== null && height.by === 'number' && box.heightFrom === 'height';
    const change = {
      widthMode: code.form === 'fixed' ? 'fixed' : 'atMost',
      width: site.column,
      ...(shaped && { height: Math.round((height.pixels * site.column) / box.width) }),
    };
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
