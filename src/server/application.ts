import express, { Router } from 'express';
import { ipKeyGenerator, rateLimit } from 'express-rate-limit';
import helmet from 'helmet';
import { randomBytes } from 'node:crypto';
import { existsSync, readFileSync } from 'node:fs';
import { join } from 'node:path';
import type { DemoItem } from '../standins/world.ts';
import { BUILT, FOR_GOOD, serveAssets, serveFiles } from './built.ts';
import type { Config } from './config.ts';
import { crawlRoute } from './crawl.ts';
import { feedRoute } from './feed.ts';
import { jobRoutes } from './jobs/routes.ts';
import { libraryRoute } from './library.ts';
import { oembedLink, oembedRoute } from './oembed.ts';
import { pictureRoute } from './picture.ts';
import { hstsOf, sendProblem } from './problems.ts';
import { programRoutes, withKey } from './programRoutes.ts';
import { reachRoute } from './reach.ts';
import { resolveRoute } from './resolve.ts';
import { searchRoute } from './search.ts';
import type { Service } from './service.ts';

/** The application and its interface for programs, on the server's own name. */
export function application(service: Service, items: readonly DemoItem[]): Router {
  const router = Router();
  router.use(headers(service.config));
  router.use('/api', api(service, items));
  router.get('/oembed', oembedRoute(service.known));
  router.use('/assets', serveAssets(FOR_GOOD));
  router.use(serveFiles(['sw.js', 'manifest.webmanifest', 'icon.svg', 'icon-192.png', 'icon-512.png']));
  router.get('/*path', page(service.config));
  router.get('/', page(service.config));
  return router;
}

function api({ config, known, guard, pages, together, answers }: Service, items: readonly DemoItem[]): Router {
  const router = Router();
  router.get('/hosts', (_, response) => void response.json(known().cards));
  router.get('/sites', (_, response) => void response.json(known().sites));
  router.get('/demo', (_, response) => void response.json(items));
  router.get('/team', (_, response) => {
    const { team } = known();
    const ids = (all: readonly { id: string }[]): string[] => all.map(({ id }) => id);
    const { stamp, styles, problems } = team;
    response.json({ stamp, cards: ids(team.cards), sites: ids(team.sites), styles, problems });
  });
  const limit = rateLimit({
    windowMs: 60_000,
    limit: config.limit === 0 ? Number.MAX_SAFE_INTEGER : config.limit,
    standardHeaders: true,
    legacyHeaders: false,
    keyGenerator: ({ ip }) => ipKeyGenerator(ip ?? ''),
    ...(together.limits && { store: together.limits('questions') }),
    handler: (_, response) =>
      sendProblem(response, 429, { code: 'tooMany', detail: 'Too many questions in a minute. Wait a little, then ask again.' }),
  });
  const keyed = [withKey(config.keys), limit];
  const body = express.json({ limit: '16kb' });
  // What is known is answered without counting: only questions to others are limited.
  router.post('/resolve', body, resolveRoute({ known, guard, answers: answers.resolve, limit: [limit] }));
  router.post('/picture', body, limit, pictureRoute(guard));
  router.post('/search', body, searchRoute(guard, answers.search, [limit]));
  router.post('/library', body, limit, libraryRoute(guard));
  router.use(programRoutes(known, keyed));
  router.use('/jobs', jobRoutes({ jobs: together.jobs, known, guards: keyed }));
  router.post('/crawl', body, limit, crawlRoute(guard, pages, together.inTurn));
  router.post('/feed', body, limit, feedRoute(guard));
  router.post('/reach', body, reachRoute({ known, guard, answers: answers.reach, limit: [limit] }));
  router.use((_, response) => sendProblem(response, 404, { code: 'noSuchRoute', detail: 'There is nothing at this address.' }));
  return router;
}

/** What every answer under the name of the application says to browsers; policies for content are said by the pages. */
const headers = ({ publicOrigin }: Config): express.RequestHandler =>
  helmet({
    contentSecurityPolicy: false,
    // The preview embeds hosts that know nothing of these policies.
    crossOriginEmbedderPolicy: false,
    strictTransportSecurity: hstsOf(publicOrigin),
  });

/** The one page of the application; its styles and scripts carry a nonce of this answer (CSP Level 3, section 2.3.1). */
function page({ publicOrigin, previewOrigin }: Config): express.RequestHandler {
  return (request, response, next) => {
    const file = join(BUILT, 'index.html');
    if (!existsSync(file))
      return sendProblem(response, 503, { code: 'notBuilt', detail: 'The application is not built yet. Run `npm run build`.' });
    const nonce = randomBytes(16).toString('base64');
    const { take } = request.query;
    policy(previewOrigin, nonce)(request, response, (error) => {
      if (error) return next(error);
      const html = readFileSync(file, 'utf8').replaceAll('NONCE', nonce).replace('PREVIEW', previewOrigin);
      const whole = typeof take === 'string' ? html.replace('</head>', `${oembedLink(take, publicOrigin)}</head>`) : html;
      response.set('Cache-Control', 'no-store').type('html').send(whole);
    });
  };
}

const policy = (previewOrigin: string, nonce: string): ReturnType<typeof helmet> =>
  helmet.contentSecurityPolicy({
    useDefaults: false,
    directives: {
      defaultSrc: ["'self'"],
      scriptSrc: ["'self'", `'nonce-${nonce}'`],
      styleSrc: ["'self'", `'nonce-${nonce}'`],
      imgSrc: ["'self'", 'data:'],
      fontSrc: ["'self'"],
      connectSrc: ["'self'"],
      frameSrc: [previewOrigin],
      frameAncestors: ["'none'"],
      objectSrc: ["'none'"],
      baseUri: ["'none'"],
      formAction: ["'none'"],
    },
  });
