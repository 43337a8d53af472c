import { z } from 'zod';
import type { PlayerReport } from '../../known/hosts/playerReport.ts';

/** What was seen of an embed in the page, in order. `at` is milliseconds since it was put there. */
export type Seen = { at: number } & (
  | { what: 'loaded'; from: readonly string[] }
  | { what: 'report'; report: PlayerReport }
  /** Something that the run did itself, and that a visitor would have done by hand. */
  | { what: 'did'; did: 'press' | 'seek' }
);

/** A play-through as it was seen: the visit from its beginning, and what happened near the end. */
export interface Sighting {
  visit: readonly Seen[];
  end: readonly Seen[];
  /** Who made the item, as the host says, to tell their other works from those of others. */
  author: string | undefined;
}

/** A word, or a number of seconds or pages. */
const answer = z.union([z.string().max(40), z.number()]);
export type Answer = z.infer<typeof answer>;

export const VERDICTS = ['as asked', 'differs', 'told', 'not seen'] as const;
const seenRow = z.object({
  question: z.string().max(40),
  /** Null where it was left to the host. */
  expected: answer.nullable(),
  observed: answer.nullable(),
  verdict: z.enum(VERDICTS),
  by: z.enum(['player', 'person']),
});

/** One thing that was asked, beside what happened. */
export type ProofRow = z.infer<typeof seenRow>;

/** A play-through that is kept with its embed. `date` is milliseconds since the epoch; `code` is what was played. */
export const proofSchema = z.object({ id: z.string(), date: z.number(), code: z.string(), rows: z.array(seenRow).max(40) });
export type Proof = z.infer<typeof proofSchema>;
