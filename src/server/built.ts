import type { RequestHandler } from 'express';
import expressStaticGzip from 'express-static-gzip';
import { join } from 'node:path';
import { ROOT } from '../standins/root.ts';

/** Where the build puts what browsers load. */
export const BUILT = join(ROOT, 'dist/web');

type Options = NonNullable<NonNullable<Parameters<typeof expressStaticGzip>[1]>['serveStatic']>;

/** Their names change with their content. */
export const FOR_GOOD: Options = { immutable: true, maxAge: '1y' };

/** The built assets, as the build compressed them: nothing is compressed for a request. */
export function serveAssets(serveStatic: Options): RequestHandler {
  const options = { enableBrotli: true, orderPreference: ['br', 'gz'], serveStatic };
  const files = expressStaticGzip(join(BUILT, 'assets'), options) as RequestHandler;
  return (request, response, next) => (isWellFormed(request.path) ? files(request, response, next) : next());
}

/** Some files of the build that stand at the top, and are asked for anew each time: what they name changes with each build. */
export function serveFiles(names: readonly string[]): RequestHandler {
  const files = expressStaticGzip(BUILT, {
    enableBrotli: true,
    orderPreference: ['br', 'gz'],
    index: false,
    serveStatic: { cacheControl: false, setHeaders: (response) => response.setHeader('Cache-Control', 'no-cache') },
  }) as RequestHandler;
  const paths = new Set(names.map((name) => `/${name}`));
  return (request, response, next) => (paths.has(request.path) ? files(request, response, next) : next());
}

/** Whether every per cent sign begins an escape of UTF-8. */
function isWellFormed(path: string): boolean {
  try {
    decodeURIComponent(path);
    return true;
  } catch {
    return false;
  }
}
