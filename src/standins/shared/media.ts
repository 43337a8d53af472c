import express, { type Router } from 'express';
import { join } from 'node:path';
import { DEMO_FOLDER, type DemoItem } from '../world.ts';
import { folderOf } from '../root.ts';

/** File name of an item's media and cover. */
export const fileName = ({ id }: Pick<DemoItem, 'id'>): string => id.replace('/', '.');

/** Media with byte ranges, and covers, as every stand-in serves them. */
export function serveMedia(router: Router, folder: string): void {
  // The pieces of a stream are fetched by scripts of other pages.
  router.use('/media/mill-stream', (_, response, next) => {
    response.set('Access-Control-Allow-Origin', '*');
    next();
  });
  router.use('/media', express.static(join(DEMO_FOLDER, 'media/files'), { fallthrough: false }));
  router.use(
    '/covers',
    express.static(join(DEMO_FOLDER, 'covers'), {
      fallthrough: false,
      setHeaders: (response) => response.set('Access-Control-Allow-Origin', '*'),
    }),
  );
  router.get('/share.css', (_, response) => response.sendFile(join(folderOf('shared'), 'share.css')));
  router.get('/look.css', (_, response) => response.sendFile(join(folder, 'look.css')));
}
