import { z } from 'zod';
import { reachedSchema, type Reached } from '../core/proof/reach/reached.ts';
import { askedToWait, inTurn, rest, type Question } from './inTurn.ts';

/** So often a question is asked before it is left. */
const TRIES = 20;
const PATIENCE = 30_000;

const answerSchema = z.object({ reached: z.array(reachedSchema) });

/** How frames are asked for: by which server, for pages at which address, and until when. */
export interface ReachAsking {
  /** Origin of the server; empty for the one that the page is from. */
  server: string;
  site: string;
  signal: AbortSignal;
}

/** Asks what a visitor gets at each frame address, one at a time per host; `null` is told where the server gave no answer. */
export const askReach = <Q extends Question>(
  questions: readonly Q[],
  asking: ReachAsking,
  answered: (question: Q, reached: readonly Reached[] | null) => void,
): Promise<void> =>
  inTurn(questions, { signal: asking.signal, perHost: 1 }, async (question) => {
    const reached = await ask(question.link, asking).catch(() => null);
    if (!asking.signal.aborted) answered(question, reached);
  });

async function ask(url: string, { server, site, signal }: ReachAsking): Promise<Reached[] | null> {
  for (let tried = 0; tried < TRIES; tried++) {
    const answer = await fetch(`${server}/api/reach`, {
      method: 'POST',
      headers: { 'Content-Type': 'application/json' },
      body: JSON.stringify({ url, site }),
      signal: AbortSignal.any([signal, AbortSignal.timeout(PATIENCE)]),
    });
    if (answer.ok) return answerSchema.parse(await answer.json()).reached;
    if (answer.status !== 429) return null;
    await rest(askedToWait(answer), signal);
  }
  return null;
}
