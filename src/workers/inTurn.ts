/** Questions to all hosts together that are open at the same time. */
const TOGETHER = 6;
const LONGEST_WAIT = 60_000;

/** What is asked of the host of a link. */
export interface Question {
  link: string;
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
const nextLane = <Q>(lanes: readonly Lane<Q>[], perHost: number): Lane<Q> | undefined =>
  lanes
    .filter(({ waiting, open }) => waiting.length > 0 && open < perHost)
    .sort((a, b) => a.waiting.at(-1)!.place - b.waiting.at(-1)!.place)[0];

/**
 * Asks all questions, a few at a time and so many per host, until each was asked or it is called off. What is asked must not
 * reject.
 */
export async function inTurn<Q extends Question>(
  questions: readonly Q[],
  { signal, perHost }: { signal: AbortSignal; perHost: number },
  ask: (question: Q) => Promise<void>,
): Promise<void> {
  const lanes = lanesOf(questions);
  const open = new Set<Promise<void>>();
  const begin = async (lane: Lane<Q>): Promise<void> => {
    const { question } = lane.waiting.pop()!;
    lane.open++;
    await ask(question);
    lane.open--;
  };
  for (;;) {
    const lane = open.size < TOGETHER && !signal.aborted ? nextLane(lanes, perHost) : undefined;
    if (lane) {
      const one: Promise<void> = begin(lane).finally(() => open.delete(one));
      open.add(one);
    } else if (open.size > 0) await Promise.race(open);
    else return;
  }
}

/** `Retry-After` in seconds (RFC 9110, section 10.2.3), which our own server sends when it is asked too often. */
export const askedToWait = (answer: Response): number =>
  Math.min(LONGEST_WAIT, Math.max(1, Number(answer.headers.get('Retry-After')) || 5) * 1000);

/** Waits for so many milliseconds, or until it is called off. */
export const rest = (ms: number, signal: AbortSignal): Promise<void> =>
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
