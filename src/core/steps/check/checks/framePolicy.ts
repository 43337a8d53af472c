import { defineCheck, NOTHING, placeOf } from '../rule.ts';

export const framePolicy = defineCheck({
  id: 'framePolicy',
  severity: 'error',
  holds: 'The site lets this host into its frames',
  about:
    'A site may say by its Content Security Policy (frame-src) which origins its pages may frame; of others nothing is shown.',
  run: ({ item, code, site, plan }) => {
    if (!site?.frames || !code.framed || item.frame === null || plan.media) return NOTHING;
    const { origin } = new URL(plan.base.map(({ text }) => text).join(''));
    if (site.frames.includes(origin)) return NOTHING;
    return [{ place: placeOf(code, 'item'), actual: origin, expected: `frame-src ${[...site.frames, origin].join(' ')}` }];
  },
});
