import type { Logger } from 'pino';
import type { Reached } from '../core/proof/reach/reached.ts';
import { Answers, type AnswerFrom } from './answers.ts';
import type { Config } from './config.ts';
import type { Guard } from './guard.ts';
import { makeWorker } from './jobs/work.ts';
import type { Worker } from './jobs/job.ts';
import { followKnown, type Known } from './known.ts';
import { makeMetrics, type Metrics } from './metrics.ts';
import { guardOf } from './names.ts';
import { PagesKept } from './pagesKept.ts';
import type { Resolved } from './resolve.ts';
import type { SearchAnswer } from './search.ts';
import { byRedis } from './together/byRedis.ts';
import { alone, type Together } from './together/together.ts';
import type { InTurn } from './together/turns.ts';

/** What a process has that serves people and programs, or that works through jobs. */
export interface Service {
  config: Config;
  log: Logger;
  known: () => Known;
  /** What may be asked of others. */
  guard: Guard;
  /** Pages of sites that were read before. */
  pages: PagesKept;
  metrics: Metrics;
  together: Together;
  answers: { resolve: Answers<Resolved>; reach: Answers<{ reached: Reached[] }>; search: Answers<SearchAnswer> };
  /** It finishes what it has begun, and takes nothing new. */
  stopping: boolean;
}

/** Sets up a process. One that `takes` jobs of a shared queue works through them until it is stopped. */
export function startService(config: Config, log: Logger, { takes = false } = {}): Service {
  const known = followKnown(config, log);
  const guard = guardOf(config);
  const metrics = makeMetrics();
  const count = (kind: string, from: AnswerFrom): void => metrics.answers.inc({ kind, from });
  const shared = config.redisUrl === null ? null : byRedis(config.redisUrl, log);
  const answersOf = <Answer extends object>(kind: string): Answers<Answer> =>
    new Answers<Answer>(kind, shared?.answers ?? null, count);
  const resolve = answersOf<Resolved>('resolve');
  const pages = new PagesKept();
  const work = (inTurn: InTurn): Worker => makeWorker({ known, guard, pages, inTurn, answers: resolve });
  if (takes) shared?.take(work);
  return {
    config,
    log,
    known,
    guard,
    pages,
    metrics,
    together: shared ?? alone(work),
    answers: { resolve, reach: answersOf('reach'), search: answersOf('search') },
    stopping: false,
  };
}
