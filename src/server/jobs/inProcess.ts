import { randomUUID } from 'node:crypto';
import { setImmediate as breathe } from 'node:timers/promises';
import {
  KEPT,
  MOST_JOBS,
  partsOf,
  stateOf,
  TRIES,
  type JobHead,
  type Jobs,
  type JobTold,
  type Part,
  type Worker,
} from './job.ts';

interface Job {
  head: JobHead;
  parts: readonly Part[];
  made: Map<number, readonly object[]>;
  failed: Map<number, string>;
  cancelled: boolean;
}

/** Jobs of a process that is alone: one part after the other, with room for requests in between. They end with the process. */
export function jobsInProcess(work: Worker): Jobs {
  const jobs = new Map<string, Job>();
  let running = Promise.resolve();

  const tell = ({ head, made, failed, cancelled }: Job): JobTold => ({
    ...head,
    made: made.size,
    failed: failed.size,
    state: stateOf(head, { made: made.size, failed: failed.size, cancelled }),
    ...(failed.size > 0 && { why: [...failed.values()].at(-1)! }),
  });
  const run = (job: Job): void => {
    running = running.then(async () => {
      for (const [i, part] of job.parts.entries()) {
        if (job.cancelled) return;
        if (job.made.has(i)) continue;
        await breathe();
        try {
          job.made.set(i, await tried(part, work));
        } catch (error) {
          job.failed.set(i, String((error as Error).message));
        }
      }
    });
  };

  return {
    add: (order) => {
      const parts = partsOf(order);
      const { kind, title } = order;
      const head = { id: randomUUID(), kind, title, ordered: new Date().toISOString(), parts: parts.length };
      const job: Job = { head, parts, made: new Map(), failed: new Map(), cancelled: false };
      for (const [id, { head: old }] of jobs) if (Date.now() - Date.parse(old.ordered) > KEPT) jobs.delete(id);
      const [oldest] = jobs.keys();
      if (jobs.size >= MOST_JOBS) jobs.delete(oldest!);
      jobs.set(head.id, job);
      run(job);
      return tell(job);
    },
    list: () => [...jobs.values()].reverse().map(tell),
    get: (id) => (jobs.has(id) ? tell(jobs.get(id)!) : null),
    rows: function* (id) {
      const job = jobs.get(id);
      for (const i of job?.parts.keys() ?? []) yield* job!.made.get(i) ?? [];
    },
    cancel: (id) => {
      const job = jobs.get(id);
      if (job) job.cancelled = true;
    },
    retry: (id) => {
      const job = jobs.get(id);
      if (!job) return;
      job.cancelled = false;
      job.failed.clear();
      run(job);
    },
    counts: () => {
      const all = [...jobs.values()];
      const made = all.reduce((sum, job) => sum + job.made.size, 0);
      const failed = all.reduce((sum, job) => sum + job.failed.size, 0);
      return { made, failed, waiting: all.reduce((sum, { parts }) => sum + parts.length, 0) - made - failed };
    },
  };
}

async function tried(part: Part, work: Worker): Promise<readonly object[]> {
  for (let i = 1; ; i++)
    try {
      return await work(part);
    } catch (error) {
      if (i >= TRIES) throw error;
    }
}
