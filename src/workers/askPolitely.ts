import { z } from 'zod';
import { endpointFor, type Providers } from '../core/known/hosts/providers.ts';
import { askedToWait, inTurn, rest, type Question } from './inTurn.ts';
import type { Answer } from '../core/many/batch/row.ts';
import { factsSchema } from '../core/keeping/shelf/saved.ts';

/** Questions to one host that are open at the same time. */
const PER_HOST = 2;
/** A question is asked so often before the row is left as it is; milliseconds between, unless the server names them. */
const TRIES = 3;
const BETWEEN = 1500;
const PATIENCE = 15_000;

const answerSchema = z.object({
  facts: factsSchema,
  found: z.object({ text: z.string().max(20_000) }).nullable(),
  refused: z.string().nullable(),
});
const WORTH_ASKING_AGAIN = new Set(['tooSlow', 'noAnswer']);

export interface Asking {
  /** Origin of the server that asks the hosts; nothing where it is that of the page. */
  server: string;
  signal: AbortSignal;
  /** Endpoints for links of hosts that no card knows. */
  providers: Providers;
}

/**
 * Asks for all links, again where a host had no time, until all are answered or it is called off. Those for which the
 * server itself gave no answer are told as unasked.
 */
export async function askPolitely<Q extends Question>(
  questions: readonly Q[],
  asking: Asking,
  answered: (question: Q, answer: Answer) => void,
  unasked: (question: Q) => void = () => undefined,
): Promise<void> {
  const { signal } = asking;
  await inTurn(questions, { signal, perHost: PER_HOST }, async (question) => {
    const answer = await ask(question.link, asking).catch(() => null);
    if (signal.aborted) return;
    if (answer) answered(question, answer);
    else unasked(question);
  });
}

async function ask(link: string, { server, signal, providers }: Asking): Promise<Answer> {
  const endpoint = endpointFor(link, providers);
  for (let tried = 1; ; tried++) {
    const answer = await fetch(`${server}/api/resolve`, {
      method: 'POST',
      headers: { 'Content-Type': 'application/json' },
      body: JSON.stringify({ url: link, endpoint }),
      signal: AbortSignal.any([signal, AbortSignal.timeout(PATIENCE)]),
    });
    if (answer.ok) {
      const { facts, found, refused } = answerSchema.parse(await answer.json());
      if (tried >= TRIES || refused === null || !WORTH_ASKING_AGAIN.has(refused))
        return { facts, player: found?.text, listed: endpoint !== undefined };
    } else if (tried >= TRIES && answer.status !== 429) throw new Error(`the server answered ${answer.status}`);
    await rest(answer.status === 429 ? askedToWait(answer) : BETWEEN * tried, signal);
  }
}
