import { addressDifferences, type Difference } from './differences.ts';
import type { Pair } from './forms.ts';

/** A code that has more than the plain one of the same item, and nobody has said yet what that does. */
export interface Open {
  pair: Pair;
  differences: readonly Difference[];
}

const weightOf = ({ observation: { frame } }: Pair): number =>
  frame ? frame.query.length * 10 + frame.path.length * 10 + (frame.fragment === '' ? 0 : 1) : 0;

/** Of several plain codes of one item the one with least is the plain one; the others are open. */
export function setOpenApart(pairs: readonly Pair[]): { pairs: Pair[]; open: Open[] } {
  const byItem = new Map<string, Pair[]>();
  for (const pair of pairs) byItem.set(pair.link.address, [...(byItem.get(pair.link.address) ?? []), pair]);
  const open: Open[] = [];
  for (const [base, ...others] of [...byItem.values()].map((group) => [...group].sort((a, b) => weightOf(a) - weightOf(b))))
    for (const pair of others) {
      const [plain, now] = [base!.observation.frame, pair.observation.frame];
      const differences = plain && now ? addressDifferences(plain, now) : null;
      if (differences && differences.length > 0) open.push({ pair, differences });
    }
  const apart = new Set(open.map(({ pair }) => pair));
  return { pairs: pairs.filter((pair) => !apart.has(pair)), open };
}
