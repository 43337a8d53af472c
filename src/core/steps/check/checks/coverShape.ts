import { boxHeight } from '../../../model/box.ts';
import { defineCheck, NOTHING, placeOf } from '../rule.ts';

/** A cover may be cut by this share before anybody would notice. */
const TOLERANCE = 0.05;

export const coverShape = defineCheck({
  id: 'coverShape',
  severity: 'warning',
  holds: 'The cover has the shape of the frame',
  about: 'A cover of another shape than the frame is cut at two of its sides, wherever what matters in it may be.',
  run: ({ plan, code, facts: { coverRatio } }) => {
    if (plan.pressed === null || coverRatio === undefined || plan.frame.cover === undefined) return NOTHING;
    const frame = plan.box.width / boxHeight(plan.box);
    if (Math.abs(coverRatio / frame - 1) <= TOLERANCE) return NOTHING;
    return [
      {
        place: placeOf(code, 'load'),
        actual: shown(coverRatio),
        expected: shown(frame),
        remedy: { by: 'asking', setting: 'cover' },
      },
    ];
  },
});

/** `1.78:1`, as film is spoken of. */
const shown = (ratio: number): string => `${Math.round(ratio * 100) / 100}:1`;
