import express, { Router, type RequestHandler, type Response } from 'express';
import type { Known } from '../known.ts';
import { siteIn, Unanswerable } from '../programs.ts';
import { sendProblem } from '../problems.ts';
import { orderSchema, type Jobs, type JobTold } from './job.ts';

interface JobRouteParts {
  jobs: Jobs;
  known: () => Known;
  guards: readonly RequestHandler[];
}

/** `/api/jobs`: work that takes longer than a program waits; ordered, followed, called off, taken home. */
export function jobRoutes({ jobs, known, guards }: JobRouteParts): Router {
  const router = Router();
  router.use(guards[0]!);
  router.post('/', ...guards.slice(1), express.json({ limit: '20mb' }), async (request, response) => {
    const order = orderSchema.safeParse(request.body);
    if (!order.success) {
      const [issue] = order.error.issues;
      const at = issue!.path.join('.') || 'its top';
      return sendProblem(response, 400, { code: 'badRequest', detail: `The request is not right at ${at}: ${issue!.message}.` });
    }
    try {
      siteIn(order.data.site, known().sites);
    } catch (error) {
      if (!(error instanceof Unanswerable)) throw error;
      return sendProblem(response, 422, { code: 'unanswerable', detail: `${error.field}: ${error.message}` });
    }
    await told(response, async () => {
      const job = await jobs.add(order.data);
      response.status(202).location(`/api/jobs/${job.id}`).json(job);
    });
  });
  router.get('/', (_, response) => told(response, async () => void response.json(await jobs.list())));
  router.get('/:id', (request, response) => withJob(request.params.id, response, (job) => response.json(job)));
  router.get('/:id/rows', (request, response) =>
    withJob(request.params.id, response, async ({ id }) => {
      response.type('application/x-ndjson').set('Cache-Control', 'no-store');
      for await (const row of jobs.rows(id)) response.write(`${JSON.stringify(row)}\n`);
      response.end();
    }),
  );
  router.delete('/:id', (request, response) =>
    withJob(request.params.id, response, async ({ id }) => {
      await jobs.cancel(id);
      response.json(await jobs.get(id));
    }),
  );
  router.post('/:id/retry', (request, response) =>
    withJob(request.params.id, response, async ({ id }) => {
      await jobs.retry(id);
      response.json(await jobs.get(id));
    }),
  );
  return router;

  function withJob(id: string, response: Response, then: (job: JobTold) => unknown): Promise<void> {
    return told(response, async () => {
      const job = await jobs.get(id);
      if (job) await then(job);
      else
        sendProblem(response, 404, { code: 'noSuchJob', detail: 'There is no job of this id; jobs are forgotten after a week.' });
    });
  }
}

/** Where the queue is away, that is said; everything else of the service goes on. */
async function told(response: Response, work: () => Promise<void>): Promise<void> {
  try {
    await work();
  } catch (error) {
    if (response.headersSent) return void response.destroy(error as Error);
    sendProblem(response, 503, { code: 'noQueue', detail: 'The list of jobs cannot be reached. Try again in a minute.' });
  }
}
