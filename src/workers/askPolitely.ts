import { z } from 'zod';
import { endpointFor, type Providers } from '../core/known/hosts/providers.ts';
import type { Answer } from '../core/many/batch/row.ts';
import { factsSchema } from '../core/keeping/shelf/saved.ts';

/** Questions to one host, and to all together, that are open at the same time. */
const PER_HOST = 2;
const TOGETHER = 6;
/** A question is asked so often before the row is left as it is; milliseconds between, unless the server names them. */
const TRIES = 3;
const BETWEEN = 1500;
const LONGEST_WAIT = 60_000;
const PATIENCE = 15_000;

const answerSchema = z.object({
  facts: factsSchema,
  found: z.object({ text: z.string().max(20_000) }).nullable(),
  refused: z.string().nullable(),
});
const WORTH_ASKING_AGAIN = new Set(['tooSlow', 'noAnswer']);

interface Question {
  link: string;
}

export interface Asking {
  /** Origin of the server that asks the hosts; nothing where it is that of the page. */
  server: string;
  signal: AbortSignal;
  /** Endpoints for links of hosts that no card knows. */
  providers: Providers;
}

/** What is still to be asked of one host, the last first, and how many questions to it are open. */
interface Lane<Q> {
  waiting: { question: Q; place: number }[];
  open: number;
}

function lanesOf<Q extends Question>(questions: readonly Q[]): Lane<Q>[] {
  const lanes = new Map<string, Lane<Q>>();
  for (let place = questions.length - 1; place >= 0; place--) {
    const question = questions[place]!;
    const { host } = new URL(question.link);
    const lane = lanes.get(host) ?? { waiting: [], open: 0 };
    lanes.set(host, lane);
    lane.waiting.push({ question, place });
  }
  return [...lanes.values()];
}

/** Of the hosts that may be asked now, the one whose question came first. */
const nextLane = <Q>(lanes: readonly Lane<Q>[]): Lane<Q> | undefined =>
  lanes
    .filter(({ waiting, open }) => waiting.length > 0 && open < PER_HOST)
    .sort((a, b) => a.waiting.at(-1)!.place - b.waiting.at(-1)!.place)[0];

/**
 * Asks for all links, a few at a time per host, again where a host had no time, until all are answered or it is called off.
 * Those for which the server itself gave no answer are told as unasked.
 */
export async function askPolitely<Q extends Question>(
  questions: readonly Q[],
  asking: Asking,
  answered: (question: Q, answer: Answer) => void,
  unasked: (question: Q) => void = () => undefined,
): Promise<void> {
  const { signal } = asking;
  const lanes = lanesOf(questions);
  const open = new Set<Promise<void>>();
  const begin = async (lane: Lane<Q>): Promise<void> => {
    const { question } = lane.waiting.pop()!;
    lane.open++;
    const answer = await ask(question.link, asking).catch(() => null);
    lane.open--;
    if (signal.aborted) return;
    if (answer) answered(question, answer);
    else unasked(question);
  };
  for (;;) {
    const lane = open.size < TOGETHER && !signal.aborted ? nextLane(lanes) : undefined;
    if (lane) {
      const one: Promise<void> = begin(lane).finally(() => open.delete(one));
      open.add(one);
    } else if (open.size > 0) await Promise.race(open);
    else return;
  }
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

/** `Retry-After` in seconds (RFC 9110, section 10.2.3), which our own server sends when it is asked too often. */
export const askedToWait = (answer: Response): number =>
  Math.min(LONGEST_WAIT, Math.max(1, Number(answer.headers.get('Retry-After')) || 5) * 1000);

const rest = (ms: number, signal: AbortSignal): Promise<void> =>
  new Promise((done) => {
    const end = (): void => {
      clearTimeout(timer);
      // Many thousands of rests may share the signal.
      signal.removeEventListener('abort', end);
      done();
    };
    const timer = setTimeout(end, ms);
    signal.addEventListener('abort', end);
  });
