import { defineCheck, NOTHING } from '../rule.ts';

export const severalCards = defineCheck({
  id: 'severalCards',
  severity: 'warning',
  holds: 'One card claims the link',
  about: 'Where two host cards claim a link with equally specific forms, nothing says which of them is right.',
  run: ({ item, book }) => {
    if (!item.rivals) return NOTHING;
    const own = book.byId.get(item.host!)?.card.name ?? '';
    return [{ place: null, actual: [own, ...item.rivals].join(' and '), expected: own }];
  },
});
