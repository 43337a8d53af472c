import { defineCheck, NOTHING } from '../rule.ts';

/** Players that a page may load at once: from there on it is slow on a phone. */
const MOST = 4;

export const manyAtOnce = defineCheck({
  id: 'manyAtOnce',
  severity: 'warning',
  holds: 'The page loads few players at once',
  about:
    'Each player brings its own scripts and pictures. A page that loads many of them at once is slow before anything is played.',
  run: ({ siblings, settings, plan, code }) => {
    const all = (siblings?.atOnce ?? 0) + 1;
    const loadsLater = settings.load === 'near' || settings.load === 'ask' || plan.pressed !== null;
    if (!code.framed || loadsLater || all <= MOST) return NOTHING;
    return [{ place: null, actual: String(all), expected: '', remedy: { by: 'settings', change: { load: 'near' } } }];
  },
});
