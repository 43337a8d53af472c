import compression from 'compression';
import express, { type Express, type RequestHandler } from 'express';
import type { Logger } from 'pino';
import { pinoHttp } from 'pino-http';
import { loadCards } from '../core/known/hosts/loadCards.ts';
import { sayCardProblem } from '../messages/en.ts';
import { STAND_INS } from '../standins/list.ts';
import { readCardFiles, readItems, readSites } from '../standins/world.ts';
import { application } from './application.ts';
import { serveAssets } from './built.ts';
import type { Guard } from './guard.ts';
import { preview } from './preview.ts';
import { noSniffing, sendProblem, tellProblem } from './problems.ts';

/** One process, answering by host name: the application, the preview page, and each stand-in on its own. */
export function createServer(port: number, log: Logger, { keys = [] }: { keys?: readonly string[] } = {}): Express {
  const items = readItems(port);
  const { cards, problems } = loadCards(readCardFiles(port));
  problems.forEach((problem) => log.error(problem, sayCardProblem(problem)));
  const app = application({ port, cards, items, sites: readSites(port), guard: makeGuard(port), keys });
  const byName = new Map<string, RequestHandler>([
    ['localhost', app],
    // One origin for what the browser keeps.
    ['127.0.0.1', toLocalhost(port)],
    ['[::1]', toLocalhost(port)],
    ['preview.localhost', preview(port)],
  ]);
  for (const standIn of STAND_INS) {
    const world = { port, items: items.filter((item) => item.host === standIn.id) };
    for (const [name, router] of Object.entries(standIn.routers(world))) byName.set(name, standInServer(router));
  }
  const server = express().disable('x-powered-by');
  server.use(pinoHttp({ logger: log }));
  server.use(noSniffing);
  server.use(compression());
  server.use((request, response, next) => {
    const answer = byName.get(request.hostname);
    if (answer) answer(request, response, next);
    else sendProblem(response, 404, { code: 'noSuchName', detail: 'Nothing is served under this name.' });
  });
  server.use((_, response) => sendProblem(response, 404, { code: 'noSuchPage', detail: 'There is nothing at this address.' }));
  server.use(tellProblem);
  return server;
}

const toLocalhost =
  (port: number): RequestHandler =>
  (request, response) =>
    response.redirect(308, `http://localhost:${port}${request.originalUrl}`);

function standInServer(router: RequestHandler): Express {
  const server = express().disable('x-powered-by');
  server.set('env', 'production');
  server.use('/assets', serveAssets({ setHeaders: (response) => response.setHeader('Access-Control-Allow-Origin', '*') }));
  return server.use(router).use(tellProblem);
}

/** With `ASK=standins` nobody but the stand-ins is asked, whether by name or by address. */
function makeGuard(port: number): Guard {
  const origins = standInOrigins(port);
  return process.env.ASK === 'standins' ? { origins, only: true } : { origins };
}

/** The only addresses that the server may ask while it guards against all private ones. */
function standInOrigins(port: number): ReadonlySet<string> {
  const names = STAND_INS.flatMap((standIn) => Object.keys(standIn.routers({ port, items: [] })));
  return new Set(names.map((name) => `http://${name}:${port}`));
}
