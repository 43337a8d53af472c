import compression from 'compression';
import express, { type Express, type RequestHandler } from 'express';
import { randomUUID } from 'node:crypto';
import { pinoHttp, type Options } from 'pino-http';
import { STAND_INS } from '../standins/list.ts';
import { application } from './application.ts';
import { serveAssets } from './built.ts';
import { healthRoutes } from './health.ts';
import { demoItems } from './known.ts';
import { countRequests } from './metrics.ts';
import { preview } from './preview.ts';
import { noSniffing, sendProblem, tellProblem } from './problems.ts';
import type { Service } from './service.ts';

/** One process, answering by host name: the application, the preview page, and each stand-in on its own. */
export function createServer(service: Service): Express {
  const { config, log, metrics } = service;
  const { publicOrigin, previewOrigin } = config;
  const items = demoItems(config);
  const nameOf = (origin: string): string => new URL(origin).hostname;
  const byName = new Map<string, RequestHandler>();
  if (nameOf(publicOrigin) === 'localhost')
    // One origin for what the browser keeps.
    for (const name of ['127.0.0.1', '[::1]']) byName.set(name, elsewhere(publicOrigin));
  byName.set(nameOf(publicOrigin), application(service, items));
  byName.set(nameOf(previewOrigin), preview(config));
  for (const standIn of config.demo ? STAND_INS : []) {
    const world = { origin: publicOrigin, items: items.filter((item) => item.host === standIn.id) };
    for (const [name, router] of Object.entries(standIn.routers(world)))
      byName.set(`${name}.${nameOf(publicOrigin)}`, standInServer(router));
  }
  const server = express().disable('x-powered-by').set('trust proxy', config.trustProxy);
  server.use(pinoHttp({ logger: log, genReqId: nameRequest }));
  server.use(countRequests(metrics));
  server.use(noSniffing);
  server.use(compression());
  server.use(healthRoutes(service));
  server.use((request, response, next) => {
    const answer = byName.get(request.hostname);
    if (answer) answer(request, response, next);
    else sendProblem(response, 404, { code: 'noSuchName', detail: 'Nothing is served under this name.' });
  });
  server.use((_, response) => sendProblem(response, 404, { code: 'noSuchPage', detail: 'There is nothing at this address.' }));
  server.use(tellProblem);
  return server;
}

/** The name that whoever stands before this server gave the request, or one of our own; the answer has it too. */
const nameRequest: NonNullable<Options['genReqId']> = (request, response) => {
  const given = request.headers['x-request-id'];
  const id = typeof given === 'string' && /^[\w-]{8,100}$/.test(given) ? given : randomUUID();
  response.setHeader('X-Request-Id', id);
  return id;
};

const elsewhere =
  (origin: string): RequestHandler =>
  (request, response) =>
    response.redirect(308, origin + request.originalUrl);

function standInServer(router: RequestHandler): Express {
  const server = express().disable('x-powered-by');
  server.set('env', 'production');
  server.use('/assets', serveAssets({ setHeaders: (response) => response.setHeader('Access-Control-Allow-Origin', '*') }));
  return server.use(router).use(tellProblem);
}
