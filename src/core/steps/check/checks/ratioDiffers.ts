import { ratioOf } from '../../../model/values.ts';
import { defineCheck, NOTHING, placeOf } from '../rule.ts';

/** Differences up to this share come from rounding to whole pixels. */
const TOLERANCE = 0.02;

export const ratioDiffers = defineCheck({
  id: 'ratioDiffers',
  severity: 'warning',
  holds: 'The shape is the picture’s own',
  about: 'A frame of another aspect ratio than the item shows bars beside or above the picture.',
  run: ({ item, settings, plan: { box }, code }) => {
    const moving = item.kind === 'video' || item.kind === 'live';
    if (!item.ratio || !moving || !code.framed || box.heightFrom === 'item') return NOTHING;
    const actual = box.height.by === 'ratio' ? ratioOf(box.height.ratio) : box.width / box.height.pixels;
    if (Math.abs(actual / ratioOf(item.ratio) - 1) <= TOLERANCE) return NOTHING;
    const written = box.height.by === 'ratio' ? String(settings.ratio) : `${box.width}×${box.height.pixels}`;
    return [
      {
        place: placeOf(code, box.heightFrom),
        actual: written,
        expected: item.ratio,
        remedy: { by: 'settings', change: { ratio: null, height: null } },
      },
    ];
  },
});
