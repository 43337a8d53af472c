import { contrastOf, LEAST_CONTRAST, sayContrast } from '../../model/contrast.ts';
import { defineOrderCheck } from './rule.ts';

export const accentUnseen = defineOrderCheck({
  id: 'accentUnseen',
  severity: 'warning',
  holds: 'The accent colour can be seen',
  about:
    'What plays, and what is found, is marked in the accent colour. It needs a contrast of at least 3 to 1 with the background, in the light and in the dark theme (WCAG 2.2, 1.4.11).',
  run: ({ order: { accent }, site }) => {
    if (accent === undefined) return [];
    const grounds = [site.light.ground, ...(site.followsTheme ? [site.dark.ground] : [])];
    const [least] = grounds.map((ground) => contrastOf(accent, ground)).sort((a, b) => a - b) as [number];
    if (least >= LEAST_CONTRAST.parts) return [];
    return [{ entries: [], actual: sayContrast(least), remedy: { order: { accent: undefined } } }];
  },
});
