import type { Remedy } from '../finding.ts';
import { defineCheck, NOTHING } from '../rule.ts';

export const titleMissing = defineCheck({
  id: 'titleMissing',
  severity: 'warning',
  holds: 'The frame has a title',
  about: 'A frame without a title is announced to screen readers by its address, or not at all (WCAG 2.2, 4.1.2; technique H64).',
  run: ({ settings, code, facts }) => {
    if (!code.framed || String(settings.title ?? '').trim() !== '') return NOTHING;
    const title = facts.title?.trim();
    const remedy: Remedy = title ? { by: 'settings', change: { title } } : { by: 'asking', setting: 'title' };
    return [{ place: null, actual: '', expected: title ?? '', remedy }];
  },
});
