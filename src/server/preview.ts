import { Router, type RequestHandler } from 'express';
import helmet from 'helmet';
import { createHash, randomBytes } from 'node:crypto';
import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import { SCRIPT } from '../core/order/page/script.ts';
import { BUILT, FOR_GOOD, serveAssets } from './built.ts';
import type { Config } from './config.ts';
import { hstsOf } from './problems.ts';

/** The page in which embeds are shown: an origin of its own, which only the application may frame. */
export function preview({ publicOrigin, previewOrigin }: Pick<Config, 'publicOrigin' | 'previewOrigin'>): Router {
  const router = Router();
  router.get('/run', run([previewOrigin, publicOrigin]));
  router.use(
    helmet({
      contentSecurityPolicy: {
        useDefaults: false,
        directives: {
          defaultSrc: ["'none'"],
          // The script of pages that play running orders is ours, and the same in all of them.
          scriptSrc: ["'self'", `'sha256-${createHash('sha256').update(SCRIPT).digest('base64')}'`],
          // Code under trial brings style attributes, as it will on the site.
          styleSrc: ["'self'", "'unsafe-inline'"],
          frameSrc: ['http:', 'https:'],
          imgSrc: ['http:', 'https:', 'data:'],
          mediaSrc: ['http:', 'https:'],
          baseUri: ["'none'"],
          formAction: ["'none'"],
          frameAncestors: [publicOrigin],
        },
      },
      crossOriginEmbedderPolicy: false,
      crossOriginOpenerPolicy: false,
      crossOriginResourcePolicy: false,
      strictTransportSecurity: hstsOf(publicOrigin),
      xFrameOptions: false,
    }),
  );
  router.use('/assets', serveAssets(FOR_GOOD));
  router.get(
    '/',
    (_, response) =>
      void response
        .set('Cache-Control', 'no-store')
        .type('html')
        .send(readFileSync(join(BUILT, 'preview.html'), 'utf8').replace('APPLICATION', publicOrigin)),
  );
  return router;
}

/**
 * The page in which code with a script runs: sandboxed without an origin of its own, so that the scripts of
 * hosts can do their work and reach nothing of ours. It shows what its parent hands it, once.
 */
const RUN = `<!doctype html>
<html lang="en"><head><meta charset="utf-8"><title>Code with a script</title></head><body style="margin:0"><script nonce="NONCE">
let shown = false;
addEventListener('message', (event) => {
  if (event.source === window.parent && !shown && event.data && typeof event.data.run === 'string') {
    shown = true;
    const code = document.createRange().createContextualFragment(event.data.run);
    // What leads a page elsewhere would take the trial away.
    for (const one of code.querySelectorAll('meta, base')) one.remove();
    document.body.replaceChildren(code);
    new ResizeObserver(() => parent.postMessage({ runHeight: document.documentElement.getBoundingClientRect().height }, '*')).observe(document.body);
  } else if (event.source !== window.parent) parent.postMessage(event.data, '*');
});
</script></body></html>`;

function run(framers: readonly string[]): RequestHandler {
  return (_, response) => {
    const nonce = randomBytes(16).toString('base64');
    const policy = [
      "default-src 'none'",
      `script-src 'nonce-${nonce}' http: https:`,
      "style-src 'unsafe-inline' http: https:",
      'img-src http: https: data:',
      'media-src http: https:',
      'connect-src http: https:',
      'frame-src http: https:',
      "base-uri 'none'",
      "form-action 'none'",
      `frame-ancestors ${framers.join(' ')}`,
      'sandbox allow-scripts allow-popups',
    ];
    response
      .set('Content-Security-Policy', policy.join('; '))
      .set('Cache-Control', 'no-store')
      .type('html')
      .send(RUN.replace('NONCE', nonce));
  };
}
