import { Queue, Worker as QueueWorker } from 'bullmq';
import type { Redis } from 'ioredis';
import { randomUUID } from 'node:crypto';
import { KEPT, partsOf, stateOf, TRIES, type JobHead, type Jobs, type JobTold, type Part, type Worker } from './job.ts';

const QUEUE = 'refenestra-parts';
/** Where the jobs are listed, by the time of their order, and where each is kept. */
const LIST = 'refenestra:jobs';
const headKey = (id: string): string => `refenestra:job:${id}`;
const madeKey = (id: string): string => `refenestra:job:${id}:made`;
const failedKey = (id: string): string => `refenestra:job:${id}:failed`;

interface PartOf {
  id: string;
  number: number;
  part: Part;
}

/** One kind of connection for each: a queue waits for its answers without end, everything else does not. */
export interface Connections {
  redis: Redis;
  queue: Redis;
}

/** Jobs that any process takes a part of. What a part makes is kept under its number: made twice, it stands there once. */
export function queuedJobs({ redis, queue: connection }: Connections): Jobs & { stop: () => Promise<void> } {
  const queue = new Queue<PartOf>(QUEUE, { connection });
  queue.on('error', () => undefined);

  const tell = async (id: string): Promise<JobTold | null> => {
    const { head: text, cancelled } = await redis.hgetall(headKey(id));
    if (text === undefined) return null;
    const head = JSON.parse(text) as JobHead;
    const [made, failures] = await Promise.all([redis.hlen(madeKey(id)), redis.hvals(failedKey(id))]);
    const come = { made, failed: failures.length, cancelled: cancelled === '1' };
    return {
      ...head,
      made,
      failed: come.failed,
      state: stateOf(head, come),
      ...(failures.length > 0 && { why: failures.at(-1)! }),
    };
  };
  const order = (id: string, parts: readonly (readonly [number, Part])[], round: string): Promise<unknown> =>
    queue.addBulk(
      parts.map(([number, part]) => ({
        name: 'part',
        data: { id, number, part },
        opts: {
          // A part is not ordered twice, whoever asks again.
          jobId: `${id}-${round}-${number}`,
          attempts: TRIES,
          backoff: { type: 'exponential', delay: 500 },
          removeOnComplete: true,
          removeOnFail: true,
        },
      })),
    );

  return {
    add: async (ordered) => {
      const parts = partsOf(ordered);
      const { kind, title } = ordered;
      const head: JobHead = { id: randomUUID(), kind, title, ordered: new Date().toISOString(), parts: parts.length };
      await redis.hset(headKey(head.id), { head: JSON.stringify(head), order: JSON.stringify(ordered) });
      await redis.pexpire(headKey(head.id), KEPT);
      await redis.zadd(LIST, Date.now(), head.id);
      await redis.zremrangebyscore(LIST, 0, Date.now() - KEPT);
      await order(head.id, [...parts.entries()], '1');
      return (await tell(head.id))!;
    },
    list: async () => {
      const ids = await redis.zrevrange(LIST, 0, 199);
      return (await Promise.all(ids.map(tell))).filter((job) => job !== null);
    },
    get: tell,
    rows: async function* (id) {
      const head = JSON.parse((await redis.hget(headKey(id), 'head')) ?? '{"parts":0}') as JobHead;
      for (let i = 0; i < head.parts; i++) yield* JSON.parse((await redis.hget(madeKey(id), String(i))) ?? '[]') as object[];
    },
    cancel: async (id) => {
      if (await redis.exists(headKey(id))) await redis.hset(headKey(id), 'cancelled', '1');
    },
    retry: async (id) => {
      const text = await redis.hget(headKey(id), 'order');
      if (text === null) return;
      const parts = partsOf(JSON.parse(text) as Parameters<Jobs['add']>[0]);
      const made = new Set(await redis.hkeys(madeKey(id)));
      await redis.del(failedKey(id));
      await redis.hset(headKey(id), 'cancelled', '0');
      const left = [...parts.entries()].filter(([number]) => !made.has(String(number)));
      await order(id, left, randomUUID().slice(0, 8));
    },
    counts: async () => queue.getJobCounts('waiting', 'active', 'delayed', 'failed').catch(() => ({})),
    stop: () => queue.close(),
  };
}

/** Milliseconds after which a part whose worker has not been heard of is given to another. */
const SILENT = 10_000;

/** Takes parts as they come, until it is stopped; what it has begun is brought to its end first. */
export function takeParts(
  work: Worker,
  { redis, queue: connection }: Connections,
  atOnce: number,
): { stop: () => Promise<void> } {
  const worker = new QueueWorker<PartOf>(
    QUEUE,
    async ({ data: { id, number, part } }) => {
      const [cancelled, there] = await Promise.all([
        redis.hget(headKey(id), 'cancelled'),
        redis.hexists(madeKey(id), String(number)),
      ]);
      if (cancelled === '1' || there === 1) return;
      const made = await work(part);
      await redis.hsetnx(madeKey(id), String(number), JSON.stringify(made));
      await redis.pexpire(madeKey(id), KEPT);
    },
    { connection, concurrency: atOnce, lockDuration: SILENT, stalledInterval: SILENT / 2, maxStalledCount: 20 },
  );
  worker.on('error', () => undefined);
  worker.on('failed', (job, error) => {
    if (!job || job.attemptsMade < TRIES) return;
    const { id, number } = job.data;
    void redis
      .hset(failedKey(id), String(number), error.message)
      .then(() => redis.pexpire(failedKey(id), KEPT))
      .catch(() => undefined);
  });
  return { stop: () => worker.close() };
}
