import { Router, type Request } from 'express';
import { holdsKey } from './programRoutes.ts';
import { sendProblem } from './problems.ts';
import type { Service } from './service.ts';

/**
 * Under every name, since they are asked by machines: `/api/health` and `/api/health/live` say that the process answers,
 * `/api/health/ready` whether it should be sent anything, `/metrics` what it has counted.
 */
export function healthRoutes(service: Service): Router {
  const { config, known, together, metrics } = service;
  const router = Router();
  router.get(['/api/health', '/api/health/live'], (_, response) => void response.json({ status: 'ok' }));
  router.get('/api/health/ready', (_, response) => {
    if (service.stopping) return sendProblem(response, 503, { code: 'stopping', detail: 'This process is about to end.' });
    const { cards, team } = known();
    // Without what the processes share, each goes on by itself: slower, and still of use.
    response.json({ status: 'ready', cards: cards.length, teamProblems: team.problems.length, shared: together.state() });
  });
  router.get('/metrics', async (request, response) => {
    if (!isNear(request) && !holdsKey(request, config.keys))
      return sendProblem(response, 404, { code: 'noSuchPage', detail: 'There is nothing at this address.' });
    for (const [state, count] of Object.entries(await together.jobs.counts())) metrics.jobs.set({ state }, count);
    response.type(metrics.registry.contentType).send(await metrics.registry.metrics());
  });
  return router;
}

/** Asked from this machine, with no proxy between. */
const isNear = ({ socket, headers }: Request): boolean =>
  /^(?:::ffff:)?127\.|^::1$/.test(socket.remoteAddress ?? '') && headers['x-forwarded-for'] === undefined;
