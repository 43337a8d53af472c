import { defineCheck } from '../rule.ts';

/** What hosts call the moment until which an address holds. */
const NAME = /^(?:exp(?:ir(?:es?|y|ation))?|valid[-_]?(?:until|to)|until[-_]?time)$/i;
/** Milliseconds: the beginning of 2020 and of 2100. A plain number outside of them is something else. */
const [EARLIEST, LATEST] = [Date.UTC(2020, 0), Date.UTC(2100, 0)];

/** The day (`2027-01-11`) until which a parameter lets an address hold; undefined where it says none. */
function dayOf(value: string): string | undefined {
  const time = /^\d{10}$/.test(value)
    ? Number(value) * 1000
    : /^\d{13}$/.test(value)
      ? Number(value)
      : /^\d{4}-\d{2}-\d{2}/.test(value)
        ? Date.parse(value)
        : NaN;
  return time >= EARLIEST && time < LATEST ? new Date(time).toISOString().slice(0, 10) : undefined;
}

export const addressExpires = defineCheck({
  id: 'addressExpires',
  severity: 'warning',
  holds: 'The address does not run out',
  about: 'Some hosts sign addresses for a while, with the moment of their end in a parameter. In a page they go blank after it.',
  run: ({ item, code }) =>
    item.unknown.flatMap(({ name, value, raw }) => {
      const day = NAME.test(name) ? dayOf(value) : undefined;
      if (day === undefined) return [];
      return [{ place: code.map.find(({ parameter }) => parameter === raw)?.range ?? null, actual: day, expected: name }];
    }),
});
