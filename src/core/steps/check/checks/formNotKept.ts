import { defineCheck, NOTHING } from '../rule.ts';

export const formNotKept = defineCheck({
  id: 'formNotKept',
  severity: 'error',
  holds: 'The editor of the site keeps this code type',
  about: 'Page editors take out of pasted code what they do not know. The site says which code types its own keeps.',
  run: ({ code, site }) => {
    if (!site || site.keeps.length === 0 || site.keeps.includes(code.form) || code.form === 'asItStands') return NOTHING;
    const form = site.keeps.includes(site.form) ? site.form : site.keeps[0]!;
    return [{ place: null, actual: site.name, expected: form, remedy: { by: 'form', form } }];
  },
});
