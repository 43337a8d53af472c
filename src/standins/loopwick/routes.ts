import type { Router } from 'express';
import { byId, door, frameRouter, sendPlayer, shareRouter, type Host } from '../shared/host.ts';
import { addressOf, type StandIn, type StandInWorld } from '../standIn.ts';
import type { DemoItem } from '../world.ts';
import { folderOf } from '../root.ts';

export interface LoopwickData {
  title: string;
  media: string;
}

const frameOf = ({ id }: DemoItem, { origin }: StandInWorld): string => `${addressOf('loopwick', origin)}/f/${id}`;
const wordsOf = ({ title }: DemoItem): string => title.toLowerCase().replaceAll(' ', '-');

/** Two codes: one that stretches with its wrapper to any width, and one of a fixed size. */
function codeOf(item: DemoItem, world: StandInWorld): string {
  const src = frameOf(item, world);
  return (
    `<div style="width:100%;height:0;padding-bottom:100%;position:relative"><iframe src="${src}" width="100%" height="100%" style="position:absolute"></iframe></div>\n\n` +
    `<iframe src="${src}" width="500" height="500"></iframe>`
  );
}

const host: Host = {
  id: 'loopwick',
  name: 'Loopwick',
  folder: folderOf('loopwick'),
  searched: 'suggestions',
  paths: ['/l/:name'],
  pathOf: (item) => `/l/${wordsOf(item)}-${item.id}`,
  find: byId(/^\/(?:l|m|f)\/(?:.*-)?([0-9][a-z0-9]{4})(?:\.webm)?$/),
  frameOf,
  codeOf,
  answer: () => ({ width: 500, height: 500 }),
};

/** Loopwick: short silent loops. */
export const loopwick: StandIn = { id: 'loopwick', routers: (world) => ({ loopwick: server(world) }) };

function server(world: StandInWorld): Router {
  const router = frameRouter(host);
  router.get('/f/:code', (request, response) => {
    const item = world.items.find((i) => i.id === request.params.code);
    if (!item) return door(response, host, { status: 404, words: 'No wick burns here' });
    sendPlayer(response, host, { title: item.title, media: `/media/${item.id}.webm` } satisfies LoopwickData);
  });
  router.get('/m/:file', (request, response) => response.redirect(302, `/media/${encodeURIComponent(request.params.file)}`));
  return router.use(shareRouter(host, world));
}
