import { Redis } from 'ioredis';
import { randomUUID } from 'node:crypto';
import { setTimeout as wait } from 'node:timers/promises';
import type { Logger } from 'pino';
import { queuedJobs, takeParts } from '../jobs/queued.ts';
import type { Worker } from '../jobs/job.ts';
import type { Together } from './together.ts';
import { SharedCount } from './limits.ts';
import { turnsHere, type InTurn } from './turns.ts';

/** Milliseconds: what a turn may take at most before another process takes it for dead, and between two looks at whose it is. */
const LONGEST_TURN = 20_000;
const POLL = 25;

/** Gives a turn back, unless it has become that of another meanwhile. */
const GIVE_BACK = `if redis.call('get', KEYS[1]) == ARGV[1] then return redis.call('del', KEYS[1]) end return 0`;

/** The two connections of a process: one that says at once that nobody is there, and one that waits (as queues must). */
function connectionsTo(url: string, log: Logger): { redis: Redis; queue: Redis } {
  const again = (times: number): number => Math.min(times * 100, 2000);
  const redis = new Redis(url, {
    maxRetriesPerRequest: 0,
    enableOfflineQueue: false,
    commandTimeout: 2000,
    retryStrategy: again,
  });
  const queue = new Redis(url, { maxRetriesPerRequest: null, retryStrategy: again });
  let away = false;
  redis.on('error', (error) => {
    if (!away) log.error({ error }, 'what the processes share is away: each goes on by itself');
    away = true;
  });
  redis.on('ready', () => {
    if (away) log.warn('what the processes share is there again');
    away = false;
  });
  queue.on('error', () => undefined);
  return { redis, queue };
}

/** What processes on one or several machines share, kept in Redis; where it is away, each goes on without. */
export function byRedis(url: string, log: Logger): Together & { take: (work: (inTurn: InTurn) => Worker) => void } {
  const connections = connectionsTo(url, log);
  const { redis } = connections;
  const jobs = queuedJobs(connections);
  const taking: { stop: () => Promise<void> }[] = [];
  const here = turnsHere();
  const inTurn: InTurn = (host, work) =>
    here(host, async () => {
      const give = await takeTurn(redis, host);
      try {
        return await work();
      } finally {
        await give();
      }
    });
  return {
    state: () => (redis.status === 'ready' ? 'there' : 'away'),
    answers: {
      get: (key) => redis.get(`refenestra:answer:${key}`).catch(() => null),
      set: (key, text, seconds) =>
        void redis.set(`refenestra:answer:${key}`, text, 'EX', Math.max(1, Math.round(seconds))).catch(() => undefined),
    },
    limits: (name) => new SharedCount(redis, name),
    inTurn,
    jobs,
    take: (work) => taking.push(takeParts(work(inTurn), connections, 2)),
    stop: async () => {
      // Where Redis is away there is nobody to say goodbye to.
      if (redis.status === 'ready') await Promise.all([...taking, jobs].map((one) => one.stop()));
      redis.disconnect();
      connections.queue.disconnect();
    },
  };
}

/** Waits until no process is at the host; gives what ends the turn. Without Redis the turn is at once: there is nobody to ask. */
async function takeTurn(redis: Redis, host: string): Promise<() => Promise<unknown>> {
  const [key, token] = [`refenestra:turn:${host}`, randomUUID()];
  try {
    while ((await redis.set(key, token, 'PX', LONGEST_TURN, 'NX')) === null) await wait(POLL);
    return () => redis.eval(GIVE_BACK, 1, key, token).catch(() => undefined);
  } catch {
    return () => Promise.resolve();
  }
}
