import { guess, nameScore } from '../../../known/hosts/guess.ts';
import { featureName } from '../../../model/features.ts';
import { defineCheck, NOTHING } from '../rule.ts';

/** Not by the first letters of its name alone, and not by its value. */
const BY_A_WORD = 2;

export const autoplayNotAllowed = defineCheck({
  id: 'autoplayNotAllowed',
  severity: 'warning',
  holds: 'What may start by itself is allowed to',
  about:
    'A parameter that no card knows may start the player. Browsers block that until the frame is allowed autoplay (Permissions Policy, section 9.5).',
  run: ({ item, settings, plan }) => {
    if (plan.media || plan.script || plan.allow.some(({ feature }) => featureName(feature) === 'autoplay')) return NOTHING;
    const starting = item.unknown.find(({ name, value }) => {
      const [likeliest] = nameScore('autoplay', name) >= BY_A_WORD ? guess(name, value) : [];
      return likeliest?.setting === 'autoplay' && likeliest.value === 'on';
    });
    if (!starting) return NOTHING;
    const permissions = [settings.permissions, 'autoplay'].filter(Boolean).join('; ');
    return [{ place: null, actual: starting.raw, expected: 'autoplay', remedy: { by: 'settings', change: { permissions } } }];
  },
});
