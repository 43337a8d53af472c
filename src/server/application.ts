import express, { Router } from 'express';
import { rateLimit } from 'express-rate-limit';
import helmet from 'helmet';
import { randomBytes } from 'node:crypto';
import { existsSync, readFileSync } from 'node:fs';
import { join } from 'node:path';
import type { HostCard } from '../core/known/hosts/card.ts';
import { makeBook } from '../core/known/hosts/book.ts';
import type { Site } from '../core/model/site.ts';
import type { DemoItem } from '../standins/world.ts';
import type { Guard } from './guard.ts';
import { crawlRoute } from './crawl.ts';
import { feedRoute } from './feed.ts';
import { libraryRoute } from './library.ts';
import { pictureRoute } from './picture.ts';
import { reachRoute } from './reach.ts';
import { searchRoute } from './search.ts';
import { sendProblem } from './problems.ts';
import { oembedRoute } from './oembed.ts';
import { programRoutes, withKey } from './programRoutes.ts';
import { resolveRoute } from './resolve.ts';
import { BUILT, FOR_GOOD, serveAssets } from './built.ts';

export interface ApplicationParts {
  port: number;
  cards: readonly HostCard[];
  items: readonly DemoItem[];
  sites: readonly Site[];
  /** What may be asked of others. */
  guard: Guard;
  /** Keys of programs; where there are none, any may ask. */
  keys: readonly string[];
}

/** The application and its interface for programs, on the server's own name. */
export function application(parts: ApplicationParts): Router {
  const router = Router();
  router.use('/api', api(parts));
  router.get('/oembed', oembedRoute({ book: makeBook(parts.cards), sites: parts.sites }));
  router.use('/assets', serveAssets(FOR_GOOD));
  router.get('/*path', page(parts.port));
  router.get('/', page(parts.port));
  return router;
}

function api({ cards, items, sites, guard, keys }: ApplicationParts): Router {
  const router = Router();
  const book = makeBook(cards);
  router.get('/health', (_, response) => void response.json({ status: 'ok' }));
  router.get('/hosts', (_, response) => void response.json(cards));
  router.get('/sites', (_, response) => void response.json(sites));
  router.get('/demo', (_, response) => void response.json(items));
  const limit = rateLimit({
    windowMs: 60_000,
    limit: 300,
    standardHeaders: true,
    legacyHeaders: false,
    handler: (_, response) =>
      sendProblem(response, 429, { code: 'tooMany', detail: 'Too many questions in a minute. Wait a little, then ask again.' }),
  });
  const body = express.json({ limit: '16kb' });
  // What is known is answered without counting: only questions to others are limited.
  router.post('/resolve', body, resolveRoute(book, guard, [limit]));
  router.post('/picture', body, limit, pictureRoute(guard));
  router.post('/search', body, searchRoute(guard, [limit]));
  router.post('/library', body, limit, libraryRoute(guard));
  router.use(programRoutes({ book, sites }, [withKey(keys), limit]));
  router.post('/crawl', body, limit, crawlRoute(guard));
  router.post('/feed', body, limit, feedRoute(guard));
  router.post('/reach', body, reachRoute(book, guard, [limit]));
  router.use((_, response) => sendProblem(response, 404, { code: 'noSuchRoute', detail: 'There is nothing at this address.' }));
  return router;
}

/** The one page of the application; its styles and scripts carry a nonce of this answer (CSP Level 3, section 2.3.1). */
function page(port: number): express.RequestHandler {
  return (_, response, next) => {
    const file = join(BUILT, 'index.html');
    if (!existsSync(file))
      return sendProblem(response, 503, { code: 'notBuilt', detail: 'The application is not built yet. Run `npm run build`.' });
    const nonce = randomBytes(16).toString('base64');
    policy(port, nonce)(_, response, (error) => {
      if (error) return next(error);
      response.set('Cache-Control', 'no-store').type('html').send(readFileSync(file, 'utf8').replaceAll('NONCE', nonce));
    });
  };
}

const policy = (port: number, nonce: string): ReturnType<typeof helmet> =>
  helmet({
    contentSecurityPolicy: {
      useDefaults: false,
      directives: {
        defaultSrc: ["'self'"],
        scriptSrc: ["'self'", `'nonce-${nonce}'`],
        styleSrc: ["'self'", `'nonce-${nonce}'`],
        imgSrc: ["'self'", 'data:'],
        fontSrc: ["'self'"],
        connectSrc: ["'self'"],
        frameSrc: [`http://preview.localhost:${port}`],
        frameAncestors: ["'none'"],
        objectSrc: ["'none'"],
        baseUri: ["'none'"],
        formAction: ["'none'"],
      },
    },
    // The preview embeds hosts that know nothing of these policies.
    crossOriginEmbedderPolicy: false,
    strictTransportSecurity: false,
  });
