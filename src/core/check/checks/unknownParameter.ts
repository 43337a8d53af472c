import { defineCheck } from '../rule.ts';

export const unknownParameter = defineCheck({
  id: 'unknownParameter',
  severity: 'note',
  holds: 'Every parameter is known',
  about: 'A parameter that the card of the host does not know is kept as it is; it may be a slip, and do nothing.',
  run: ({ item, code, book }) => {
    if (item.host === null) return [];
    const host = book.byId.get(item.host)?.card.name ?? item.host;
    return item.unknown.map(({ raw, name }) => {
      const at = code.text.indexOf(raw);
      return {
        place: at < 0 ? null : ([at, at + raw.length] as const),
        actual: name,
        expected: host,
        remedy: { by: 'parameter', drop: raw } as const,
      };
    });
  },
});
