import type { Router } from 'express';
import { byId, door, frameRouter, iframeCode, sendPlayer, shareRouter, type Host } from '../shared/host.ts';
import { addressOf, type StandIn, type StandInWorld } from '../standIn.ts';
import type { DemoItem } from '../world.ts';
import { folderOf } from '../root.ts';

export interface DeckmoorData {
  title: string;
  author: string;
  slides: string[];
}

const frameOf = ({ id }: DemoItem, { origin }: StandInWorld): string => `${addressOf('deckmoor', origin)}/frame/${id}`;

const host: Host = {
  id: 'deckmoor',
  name: 'Deckmoor',
  folder: folderOf('deckmoor'),
  paths: ['/deck/:code', '/deck/:code/:slide'],
  pathOf: ({ id }) => `/deck/${id}`,
  find: byId(/^\/deck\/([^/]+)/),
  frameOf,
  codeOf: (item, world) => iframeCode(frameOf(item, world), 'width="560" height="350"', ' frameborder="0" allowfullscreen'),
  answer: ({ outline }) => ({ width: 560, height: 350, slides: outline.length }),
};

/** Deckmoor: slides laid out on a moor, with a path over them. */
export const deckmoor: StandIn = { id: 'deckmoor', routers: (world) => ({ deckmoor: server(world) }) };

function server(world: StandInWorld): Router {
  const router = frameRouter(host);
  router.get('/frame/:code', (request, response) => {
    const item = world.items.find((i) => i.id === request.params.code);
    if (!item) return door(response, host, { status: 404, words: 'No slides lie here' });
    sendPlayer(response, host, { title: item.title, author: item.author, slides: item.outline } satisfies DeckmoorData);
  });
  return router.use(shareRouter(host, world));
}
