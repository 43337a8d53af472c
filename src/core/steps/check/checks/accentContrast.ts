import { contrastOf, LEAST_CONTRAST, nearestPassing, sayContrast } from '../../../model/contrast.ts';
import { defineCheck, NOTHING, placeOf, takesEffect } from '../rule.ts';

export const accentContrast = defineCheck({
  id: 'accentContrast',
  severity: 'warning',
  holds: 'The accent colour can be seen',
  about:
    'Buttons and bars need a contrast of at least 3 to 1 with what is next to them (WCAG 2.2, 1.4.11), on a light background and on a dark one.',
  run: ({ settings, plan, site, code }) => {
    if (!site || typeof settings.accent !== 'string' || !takesEffect(plan, 'accent')) return NOTHING;
    const dark = settings.theme === 'dark';
    const ground = dark ? site.dark.ground : site.light.ground;
    const ratio = contrastOf(settings.accent, ground);
    if (ratio >= LEAST_CONTRAST.parts) return NOTHING;
    const better = nearestPassing(settings.accent, ground, { palette: site.palette, least: LEAST_CONTRAST.parts });
    const change = { accent: better.colour };
    return [
      {
        place: placeOf(code, 'accent'),
        actual: sayContrast(ratio),
        expected: better.name ?? better.colour,
        remedy: { by: 'settings', change },
      },
    ];
  },
});
