import { defineCheck, NOTHING } from '../rule.ts';

export const linkForNobody = defineCheck({
  id: 'linkForNobody',
  severity: 'note',
  holds: 'Those to whom nothing is shown have a link',
  about: 'The host’s script makes the embed; where scripts do not run, in mails and readers, a link beneath is all that is left.',
  run: ({ item, settings, plan }) => {
    if (!plan.script || item.frame !== null || settings.textLink !== undefined || settings.title === undefined) return NOTHING;
    const change = { textLink: String(settings.title) };
    return [{ place: null, actual: '', expected: String(settings.title), remedy: { by: 'settings', change } }];
  },
});
