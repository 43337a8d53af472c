import { accessOf } from '../../../known/hosts/access.ts';
import { defineCheck, NOTHING } from '../rule.ts';

export const hostCondition = defineCheck({
  id: 'hostCondition',
  severity: 'note',
  holds: 'The host makes no conditions',
  about: 'Conditions that a host makes for an item of this kind, as its card tells them, with what to do there.',
  run: ({ item, book }) => {
    if (item.host === null) return NOTHING;
    return accessOf(item, book)
      .filter(({ status }) => status === undefined)
      .map(({ words, remedy, date }) => ({ place: null, actual: `${words} ${remedy} (as of ${date})`, expected: '' }));
  },
});
