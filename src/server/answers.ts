import type { RequestHandler } from 'express';
import CachePolicy from 'http-cache-semantics';
import { LRUCache } from 'lru-cache';
import type { Fetched } from './guard.ts';
import type { SharedAnswers } from './together/together.ts';

/** What came of a question to others, and for how many seconds it holds. */
export interface Fresh<Answer> {
  answer: Answer;
  seconds: number;
}

/** Seconds for which an answer holds, as its headers say (RFC 9111, section 4.2); 0 where they say nothing. */
export function secondsOf({ url, status, headers }: Pick<Fetched, 'url' | 'status' | 'headers'>): number {
  const policy = new CachePolicy({ url: url.href, headers: {} }, { status, headers: { ...headers } }, { cacheHeuristic: 0 });
  return policy.storable() ? policy.timeToLive() / 1000 : 0;
}

/** Answers in memory at most, and the longest that one is kept, in seconds: a host may change its mind. */
const MOST = 5000;
const LONGEST = 24 * 60 * 60;
/** Milliseconds for which what another process found out is kept here as well: how long it holds is not known here. */
const SHARED_FOR = 60_000;

/** Where an answer came from. */
export type AnswerFrom = 'memory' | 'shared' | 'host';

/** One question, in whichever order its parts stand. */
const keyOf = (body: object): string => JSON.stringify(Object.entries(body).sort());

/** Answers to one kind of question, each kept for as long as it says; one question is in flight for one body. */
export class Answers<Answer extends object> {
  private readonly kept = new LRUCache<string, Answer>({ max: MOST });
  private readonly asking = new Map<string, Promise<Answer>>();
  private readonly kind: string;
  private readonly shared: SharedAnswers | null;
  private readonly count: (kind: string, from: AnswerFrom) => void;

  constructor(
    kind: string,
    shared: SharedAnswers | null = null,
    count: (kind: string, from: AnswerFrom) => void = () => undefined,
  ) {
    this.kind = kind;
    this.shared = shared;
    this.count = count;
  }

  /** Answers at once what is known, here or to another process; anything else goes on to the next handler. */
  readonly known: RequestHandler = async (request, response, next) => {
    const answer = await this.lookUp(keyOf((request.body ?? {}) as object));
    if (answer) response.json(answer);
    else next();
  };

  private async lookUp(key: string): Promise<Answer | null> {
    const here = this.kept.get(key);
    if (here) this.count(this.kind, 'memory');
    if (here || !this.shared) return here ?? null;
    const text = await this.shared.get(`${this.kind}:${key}`);
    if (text === null) return null;
    this.count(this.kind, 'shared');
    const answer = JSON.parse(text) as Answer;
    this.kept.set(key, answer, { ttl: SHARED_FOR });
    return answer;
  }

  private keep(key: string, { answer, seconds }: Fresh<Answer>): Answer {
    this.count(this.kind, 'host');
    const time = Math.min(seconds, LONGEST);
    // A time to live of less than a millisecond would be taken for one without end.
    if (time >= 1) {
      this.kept.set(key, answer, { ttl: time * 1000 });
      this.shared?.set(`${this.kind}:${key}`, JSON.stringify(answer), time);
    }
    return answer;
  }

  /** Asks, unless the same is being asked already. */
  async ask(body: object, find: () => Promise<Fresh<Answer>>): Promise<Answer> {
    const key = keyOf(body);
    const before = this.asking.get(key);
    if (before) return before;
    const asking = this.lookUp(key).then(async (known) => known ?? this.keep(key, await find()));
    this.asking.set(key, asking);
    return asking.finally(() => this.asking.delete(key));
  }
}
