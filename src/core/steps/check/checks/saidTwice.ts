import { defineCheck } from '../rule.ts';

export const saidTwice = defineCheck({
  id: 'saidTwice',
  severity: 'note',
  holds: 'Nothing is said twice',
  about: 'Of two parameters with one meaning the first counts; the other was dropped.',
  run: ({ item }) =>
    item.dropped.filter(({ why }) => why === 'duplicate').map(({ raw }) => ({ place: null, actual: raw, expected: '' })),
});
