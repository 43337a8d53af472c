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
export const serveAssets = (serveStatic: Options): RequestHandler =>
  expressStaticGzip(join(BUILT, 'assets'), { enableBrotli: true, orderPreference: ['br', 'gz'], serveStatic }) as RequestHandler;
