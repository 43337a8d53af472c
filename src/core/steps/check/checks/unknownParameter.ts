import type { Range } from '../../../model/candidate.ts';
import { MOST_TOLD } from '../../../model/running.ts';
import { defineCheck } from '../rule.ts';

export const unknownParameter = defineCheck({
  id: 'unknownParameter',
  severity: 'note',
  holds: 'Every parameter is known',
  about: 'A parameter that the card of the host does not know is kept as it is; it may be a slip, and do nothing.',
  run: ({ item, code, book }) => {
    if (item.host === null || item.unknown.length === 0) return [];
    const host = book.byId.get(item.host)?.card.name ?? item.host;
    const places = new Map<string, Range>();
    for (const { parameter, range } of code.map)
      if (parameter !== undefined && !places.has(parameter)) places.set(parameter, range);
    return item.unknown.slice(0, MOST_TOLD).map(({ raw, name }) => ({
      place: places.get(raw) ?? null,
      actual: name,
      expected: host,
      remedy: { by: 'parameter', drop: raw } as const,
    }));
  },
});
