import { timingSafeEqual } from 'node:crypto';
import express, { Router, type Request, type RequestHandler } from 'express';
import { openApi } from './openApi.ts';
import { OPERATIONS, Unanswerable } from './programs.ts';
import type { Known } from './known.ts';
import { sendProblem } from './problems.ts';

/** Whoever has one of the keys may ask, as a bearer token (RFC 6750, section 2.1); where there are none, everybody. */
export function withKey(keys: readonly string[]): RequestHandler {
  return (request, response, next) => {
    if (keys.length === 0 || holdsKey(request, keys)) return next();
    response.set('WWW-Authenticate', 'Bearer');
    sendProblem(response, 401, { code: 'noKey', detail: 'Send one of the keys of this server: Authorization: Bearer KEY.' });
  };
}

/** Whether a request has one of the keys. */
export function holdsKey({ headers }: Request, keys: readonly string[]): boolean {
  const given = /^Bearer (.+)$/i.exec(headers.authorization ?? '')?.[1] ?? '';
  return keys.some((key) => same(key, given));
}

/** Compared in a time that tells nothing of how much was right. */
function same(key: string, given: string): boolean {
  const [a, b] = [Buffer.from(key), Buffer.from(given)];
  return a.length === b.length && timingSafeEqual(a, b);
}

/** `POST /api/read`, `/embed`, `/check`, `/batch`, `/teach`, `/sweep`: the objects of the command line, over HTTP. */
export function programRoutes(known: () => Known, guards: readonly RequestHandler[]): Router {
  const router = Router();
  const body = express.json({ limit: '6mb' });
  for (const { path, body: schema, answer } of OPERATIONS)
    router.post(path, ...guards, body, (request, response) => {
      const asked = schema.safeParse(request.body);
      if (!asked.success) {
        const [issue] = asked.error.issues;
        const at = issue!.path.join('.') || 'its top';
        return sendProblem(response, 400, {
          code: 'badRequest',
          detail: `The request is not right at ${at}: ${issue!.message}.`,
        });
      }
      try {
        response.json(answer(asked.data, known()));
      } catch (error) {
        if (!(error instanceof Unanswerable)) throw error;
        sendProblem(response, 422, { code: 'unanswerable', detail: `${error.field}: ${error.message}` });
      }
    });
  router.get('/openapi.json', (_, response) => {
    const [card] = known().cards;
    response.json(openApi(card?.links[0]?.examples[0] ?? 'https://media.example/see/1'));
  });
  return router;
}
