import { cardSchema, type HostCard } from '../../../../core/known/hosts/card.ts';
import { sayProblem } from '../../../../messages/problems.ts';

/** A card as it may be while it is changed: whatever it comes to is read anew by the schema. */
export type Draft = { -readonly [Key in keyof HostCard]: unknown };

/** Takes a change of the card; the words are why it cannot be. `where` names the place, so that its steps are one. */
export type Change = (where: string, next: Partial<Draft>) => string | null;

/** The card with a change, or why there cannot be such a one. */
export function changed(card: HostCard, next: Partial<Draft>): HostCard | string {
  const read = cardSchema.safeParse({ ...card, ...next });
  if (read.success) return read.data;
  const [issue] = read.error.issues;
  return sayProblem(issue!.code === 'invalid_key' ? (issue.issues[0]?.message ?? issue.message) : issue!.message);
}

/** A record without one of its entries. */
export const without = <Value>(record: Readonly<Record<string, Value>>, name: string): Record<string, Value> =>
  Object.fromEntries(Object.entries(record).filter(([key]) => key !== name));
