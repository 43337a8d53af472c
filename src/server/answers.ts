import type { RequestHandler } from 'express';
import CachePolicy from 'http-cache-semantics';
import { LRUCache } from 'lru-cache';
import type { Fetched } from './guard.ts';

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

/** One question, in whichever order its parts stand. */
const keyOf = (body: object): string => JSON.stringify(Object.entries(body).sort());

/** Answers to one kind of question, each kept for as long as it says; one question is in flight for one body. */
export class Answers<Answer extends object> {
  private readonly kept = new LRUCache<string, Answer>({ max: MOST });
  private readonly asking = new Map<string, Promise<Answer>>();

  /** Answers at once what is known; anything else goes on to the next handler. */
  readonly known: RequestHandler = (request, response, next) => {
    const answer = this.kept.get(keyOf((request.body ?? {}) as object));
    if (answer) response.json(answer);
    else next();
  };

  /** Asks, unless the same is being asked already. */
  async ask(body: object, find: () => Promise<Fresh<Answer>>): Promise<Answer> {
    const key = keyOf(body);
    const before = this.asking.get(key);
    if (before) return before;
    const asking = find().then(({ answer, seconds }) => {
      // A time to live of less than a millisecond would be taken for one without end.
      if (seconds >= 1) this.kept.set(key, answer, { ttl: Math.min(seconds, LONGEST) * 1000 });
      return answer;
    });
    this.asking.set(key, asking);
    return asking.finally(() => this.asking.delete(key));
  }
}
