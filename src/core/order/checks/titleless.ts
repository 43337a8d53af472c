import { defineOrderCheck, entriesThat } from './rule.ts';

export const titleless = defineOrderCheck({
  id: 'titleless',
  severity: 'warning',
  holds: 'Every entry has a title',
  about: 'Without a title the list shows an address, which nobody can read or remember.',
  run: (checked) => entriesThat(checked, ({ title }) => title.trim() === ''),
});
