import { defineCheck, NOTHING, placeOf } from '../rule.ts';

export const sandboxBlocks = defineCheck({
  id: 'sandboxBlocks',
  severity: 'error',
  holds: 'The sandbox lets the player work',
  about: 'In a sandbox without leave for scripts and for an origin of its own no player of a host runs (HTML, section 4.8.5).',
  run: ({ item, settings, plan, code }) => {
    if (settings.sandbox === undefined || item.form === 'file' || plan.script) return NOTHING;
    const given = String(settings.sandbox).toLowerCase().split(/\s+/);
    const missing = ['allow-scripts', 'allow-same-origin'].filter((word) => !given.includes(word));
    if (missing.length === 0) return NOTHING;
    const change = { sandbox: [String(settings.sandbox), ...missing].join(' ').trim() };
    return [{ place: placeOf(code, 'sandbox'), actual: missing.join(' and '), expected: '', remedy: { by: 'settings', change } }];
  },
});
