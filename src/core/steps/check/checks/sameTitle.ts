import { defineCheck, NOTHING, placeOf } from '../rule.ts';

export const sameTitle = defineCheck({
  id: 'sameTitle',
  severity: 'warning',
  holds: 'No other embed of the page has the same title',
  about:
    'Frames are listed by their titles in screen readers: two with one title cannot be told apart (WCAG 2.2, 2.4.1 and 4.1.2; technique H64).',
  run: ({ settings, siblings, code, facts }) => {
    const title = String(settings.title ?? '').trim();
    if (!code.framed || title === '' || !siblings?.hasTitle(title)) return NOTHING;
    const own = facts.title?.trim();
    const expected = own && own !== title ? own : '';
    return [
      {
        place: placeOf(code, 'title'),
        actual: title,
        expected,
        remedy: expected ? { by: 'settings', change: { title: expected } } : { by: 'asking', setting: 'title' },
      },
    ];
  },
});
