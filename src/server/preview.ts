import express, { Router } from 'express';
import helmet from 'helmet';
import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import { BUILT } from './built.ts';

/** The page in which embeds are shown: an origin of its own, which only the application may frame. */
export function preview(port: number): Router {
  const router = Router();
  router.use(
    helmet({
      contentSecurityPolicy: {
        useDefaults: false,
        directives: {
          defaultSrc: ["'none'"],
          scriptSrc: ["'self'"],
          // Code under trial brings style attributes, as it will on the site.
          styleSrc: ["'self'", "'unsafe-inline'"],
          frameSrc: ['http:', 'https:'],
          imgSrc: ['http:', 'https:', 'data:'],
          frameAncestors: [`http://localhost:${port}`, `http://127.0.0.1:${port}`],
        },
      },
      crossOriginEmbedderPolicy: false,
      crossOriginOpenerPolicy: false,
      crossOriginResourcePolicy: false,
      strictTransportSecurity: false,
      xFrameOptions: false,
    }),
  );
  router.use('/assets', express.static(join(BUILT, 'assets'), { immutable: true, maxAge: '1y' }));
  router.get(
    '/',
    (_, response) =>
      void response
        .set('Cache-Control', 'no-store')
        .type('html')
        .send(readFileSync(join(BUILT, 'preview.html'), 'utf8')),
  );
  return router;
}
