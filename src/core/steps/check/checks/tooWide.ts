import { AS_IT_STANDS } from '../../../model/code.ts';
import type { Box, SettingsFix } from '../../../model/plan.ts';
import { ratioBetween } from '../../../model/values.ts';
import { defineCheck, NOTHING, placeOf } from '../rule.ts';

export const tooWide = defineCheck({
  id: 'tooWide',
  severity: 'error',
  holds: 'It fits the column',
  about: 'A frame of fixed width that is wider than the column of the site is cut off, or pushes the page sideways.',
  run: ({ item, plan: { box }, code, site }) => {
    const rigid = box.mode === 'fixed' || code.form === 'fixed';
    if (!site || !code.framed || !rigid || box.width <= site.column) return NOTHING;
    const change = { widthMode: code.form === 'fixed' ? 'fixed' : 'atMost', width: site.column };
    // What has a shape of its own keeps it; the height of a form or a player for sound has nothing to do with its width.
    const shaped = item.ratio !== null && box.heightFrom === 'height';
    return [
      {
        place: placeOf(code, box.widthFrom),
        actual: String(box.width),
        expected: String(site.column),
        remedy: { by: 'settings', change: shaped ? { ...change, ...shapeFor(box, site.column, code.form) } : change },
      },
    ];
  },
});

/** The height follows the width, which is less than the column on a small screen; where the code cannot say so, it is scaled. */
function shapeFor({ width, height }: Box, column: number, form: string): SettingsFix {
  if (height.by !== 'number') return {};
  const ratio = form === 'fixed' || form === AS_IT_STANDS ? undefined : ratioBetween(width, height.pixels);
  return ratio ? { height: null, ratio } : { height: Math.round((height.pixels * column) / width) };
}
