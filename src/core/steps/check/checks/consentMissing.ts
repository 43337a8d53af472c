import { pageWords } from '../../../model/pageWords.ts';
import { defineCheck, NOTHING } from '../rule.ts';

export const consentMissing = defineCheck({
  id: 'consentMissing',
  severity: 'note',
  holds: 'The cover says what it loads',
  about: 'Sites that ask for consent before they load from others say on the cover what is loaded, and from whom.',
  run: ({ item, settings, plan, site }) => {
    if (plan.pressed === null || settings.consent !== undefined) return NOTHING;
    const host = new URL(item.frame ?? item.canonical).host;
    const change = { consent: pageWords(site).consent.split('{host}').join(host) };
    return [{ place: null, actual: '', expected: host, remedy: { by: 'settings', change } }];
  },
});
