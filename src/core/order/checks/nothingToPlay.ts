import { defineOrderCheck } from './rule.ts';

export const nothingToPlay = defineOrderCheck({
  id: 'nothingToPlay',
  severity: 'error',
  holds: 'There is something to play',
  about: 'A page without entries shows visitors an empty list.',
  run: ({ order }) => (order.entries.length === 0 ? [{ entries: [], actual: '' }] : []),
});
