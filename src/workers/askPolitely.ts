import { z } from 'zod';
import type { Facts } from '../core/model/item.ts';
import { factsSchema } from '../core/shelf/saved.ts';

/** Questions to one host, and to all together, that are open at the same time. */
const PER_HOST = 2;
const TOGETHER = 6;
/** A question is asked so often before the row is left as it is; milliseconds between, unless the server names them. */
const TRIES = 3;
const BETWEEN = 1500;
const LONGEST_WAIT = 60_000;
const PATIENCE = 15_000;

const answerSchema = z.object({ facts: factsSchema, refused: z.string().nullable() });
const WORTH_ASKING_AGAIN = new Set(['tooSlow', 'noAnswer']);

interface Question {
  link: string;
}

interface Asking {
  /** Origin of the server that asks the hosts; nothing where it is that of the page. */
  server: string;
  signal: AbortSignal;
}

/** Asks for all links, a few at a time per host, again where a host had no time, until all are answered or it is called off. */
export async function askPolitely<Q extends Question>(
  questions: readonly Q[],
  asking: Asking,
  answered: (question: Q, facts: Facts) => void,
): Promise<void> {
  const { signal } = asking;
  const waiting = [...questions];
  const open = new Map<string, number>();
  const next = (): Q | undefined => {
    const at = waiting.findIndex(({ link }) => (open.get(new URL(link).host) ?? 0) < PER_HOST);
    return at < 0 ? undefined : waiting.splice(at, 1)[0];
  };
  const work = async (): Promise<void> => {
    while (waiting.length > 0 && !signal.aborted) {
      const question = next();
      if (!question) {
        await rest(50, signal);
        continue;
      }
      const { host } = new URL(question.link);
      open.set(host, (open.get(host) ?? 0) + 1);
      const facts = await ask(question.link, asking).catch(() => ({}));
      open.set(host, open.get(host)! - 1);
      if (!signal.aborted) answered(question, facts);
    }
  };
  await Promise.all(Array.from({ length: TOGETHER }, work));
}

async function ask(link: string, { server, signal }: Asking): Promise<Facts> {
  for (let tried = 1; ; tried++) {
    const answer = await fetch(`${server}/api/resolve`, {
      method: 'POST',
      headers: { 'Content-Type': 'application/json' },
      body: JSON.stringify({ url: link }),
      signal: AbortSignal.any([signal, AbortSignal.timeout(PATIENCE)]),
    });
    if (answer.ok) {
      const { facts, refused } = answerSchema.parse(await answer.json());
      if (tried >= TRIES || refused === null || !WORTH_ASKING_AGAIN.has(refused)) return facts;
    } else if (tried >= TRIES && answer.status !== 429) return {};
    await rest(answer.status === 429 ? askedToWait(answer) : BETWEEN * tried, signal);
  }
}

/** `Retry-After` in seconds (RFC 9110, section 10.2.3), which our own server sends when it is asked too often. */
const askedToWait = (answer: Response): number =>
  Math.min(LONGEST_WAIT, Math.max(1, Number(answer.headers.get('Retry-After')) || 5) * 1000);

const rest = (ms: number, signal: AbortSignal): Promise<void> =>
  new Promise((done) => {
    const timer = setTimeout(done, ms);
    signal.addEventListener('abort', () => (clearTimeout(timer), done()), { once: true });
  });
