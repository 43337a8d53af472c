import { defineCheck, NOTHING, placeOf } from '../rule.ts';

export const pageBeyondEnd = defineCheck({
  id: 'pageBeyondEnd',
  severity: 'error',
  holds: 'The page exists',
  about: 'A page that the document does not have opens at its first, or nowhere.',
  run: ({ settings, facts, code }) => {
    const page = Number(settings.page ?? 1);
    if (facts.pages === undefined || page <= facts.pages) return NOTHING;
    const change = { page: facts.pages };
    const [actual, expected] = [String(page), String(facts.pages)];
    return [{ place: placeOf(code, 'page'), actual, expected, remedy: { by: 'settings', change } }];
  },
});
