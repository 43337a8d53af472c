import { boxHeight } from '../../../model/box.ts';
import { defineCheck, NOTHING, placeOf } from '../rule.ts';

/** Pixels: the room of a small laptop’s browser, and a height that leaves some of the page in sight. */
const SCREEN = 700;
const COMFORTABLE = 600;

export const tallerThanScreen = defineCheck({
  id: 'tallerThanScreen',
  severity: 'warning',
  holds: 'It is no taller than a screen',
  about:
    'An upright or square embed that fills a wide column becomes taller than the screen of a laptop: nobody sees the whole of it.',
  run: ({ plan: { box, media }, code, item }) => {
    const height = boxHeight(box);
    const follows = box.height.by === 'ratio' && box.mode === 'fill';
    if (!code.framed || media === 'audio' || !follows || item.frame === null || height <= SCREEN) return NOTHING;
    const width = Math.round((box.width * COMFORTABLE) / height);
    const change = { widthMode: 'atMost', width } as const;
    return [
      {
        place: placeOf(code, box.widthFrom),
        actual: String(height),
        expected: String(width),
        remedy: { by: 'settings', change },
      },
    ];
  },
});
