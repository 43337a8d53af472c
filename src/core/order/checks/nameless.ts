import { defineOrderCheck } from './rule.ts';

export const nameless = defineOrderCheck({
  id: 'nameless',
  severity: 'note',
  holds: 'The running order has a name',
  about: 'Its name is the heading of the page, and how people who do not see it find the frame.',
  run: ({ order }) => (order.name.trim() === '' ? [{ entries: [], actual: '' }] : []),
});
