import { Router } from 'express';
import { byId, door, frameRouter, iframeCode, sendPlayer, shareRouter, type Host } from '../shared/host.ts';
import { addressOf, type StandIn, type StandInWorld } from '../standIn.ts';
import type { DemoItem } from '../world.ts';
import { folderOf } from '../root.ts';

export interface AskmeadowData {
  title: string;
  author: string;
  questions: string[];
}

const frameOf = ({ id }: DemoItem, { origin }: StandInWorld): string => `${addressOf('askmeadow', origin)}/ask/${id}?framed=1`;
const isClosed = ({ closes }: DemoItem): boolean => closes !== undefined && new Date(closes) < new Date();
const CLOSED = { status: 410, words: 'This form is closed. Answers were taken until its date.' };

const host: Host = {
  id: 'askmeadow',
  name: 'Askmeadow',
  folder: folderOf('askmeadow'),
  paths: ['/ask/:code'],
  pathOf: ({ id }) => `/ask/${id}`,
  find: byId(/^\/ask\/([^/]+)$/),
  frameOf,
  codeOf: (item, world) => iframeCode(frameOf(item, world), 'width="640" height="600"', ' frameborder="0"'),
  answer: () => ({ width: 640, height: 600 }),
  closed: (item) => (isClosed(item) ? CLOSED : null),
};

/** Askmeadow: forms, as high as their questions. */
export const askmeadow: StandIn = {
  id: 'askmeadow',
  routers: (world) => ({ askmeadow: server(world), amdw: short(world) }),
};

function server(world: StandInWorld): Router {
  const router = frameRouter(host);
  router.get('/ask/:code', (request, response, next) => {
    const item = world.items.find((i) => i.id === request.params.code);
    if (request.query.framed !== '1' || !item) return next();
    if (isClosed(item)) return door(response, host, CLOSED);
    sendPlayer(response, host, { title: item.title, author: item.author, questions: item.outline } satisfies AskmeadowData);
  });
  router.get('/ask/:code/mail', (_, response) =>
    door(response, host, { status: 401, words: 'This link was made for one person, and works for nobody else.' }),
  );
  return router.use(shareRouter(host, world));
}

function short({ origin }: StandInWorld): Router {
  return Router().get('/:code', (request, response) =>
    response.redirect(302, `${addressOf('askmeadow', origin)}/ask/${request.params.code}`),
  );
}
