import { defineCheck, NOTHING } from '../rule.ts';

export const consentMissing = defineCheck({
  id: 'consentMissing',
  severity: 'note',
  holds: 'The cover says what it loads',
  about: 'Sites that ask for consent before they load from others say on the cover what is loaded, and from whom.',
  run: ({ item, settings, plan }) => {
    if (plan.pressed === null || settings.consent !== undefined) return NOTHING;
    const host = new URL(item.frame ?? item.canonical).host;
    const change = { consent: `A press loads this from ${host}.` };
    return [{ place: null, actual: '', expected: host, remedy: { by: 'settings', change } }];
  },
});
