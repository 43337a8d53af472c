import type { Router } from 'express';
import { byId, door, frameRouter, sendPlayer, shareRouter, type Host } from '../shared/host.ts';
import { addressOf, type StandIn, type StandInWorld } from '../standIn.ts';
import type { DemoItem } from '../world.ts';
import { folderOf } from '../root.ts';

export interface GatherfoldData {
  title: string;
  author: string;
  pages: string[];
}

const frameOf = ({ id }: DemoItem, { origin }: StandInWorld): string => `${addressOf('gatherfold', origin)}/frame/${id}`;

/** The share box offers a placeholder with a script, and a short code. */
const codeOf = ({ id }: DemoItem, { origin }: StandInWorld): string =>
  `<div class="gatherfold-book" data-fold-book="${id}" data-fold-spread="2"></div>\n` +
  `<script async src="${addressOf('gatherfold', origin)}/fold.js"></script>\n[gatherfold book="${id}" spread="2"]`;

const host: Host = {
  id: 'gatherfold',
  name: 'Gatherfold',
  folder: folderOf('gatherfold'),
  paths: ['/read/:code', '/read/:code/:page'],
  pathOf: ({ id }) => `/read/${id}`,
  find: byId(/^\/read\/([^/]+)/),
  frameOf,
  codeOf,
  answer: ({ outline }) => ({ width: 440, height: 286, leaves: outline.length }),
};

/** Gatherfold: booklets whose pages turn. */
export const gatherfold: StandIn = { id: 'gatherfold', routers: (world) => ({ gatherfold: server(world) }) };

function server(world: StandInWorld): Router {
  const router = frameRouter(host);
  router.get('/frame/:code', (request, response) => {
    const item = world.items.find((i) => i.id === request.params.code);
    if (!item) return door(response, host, { status: 404, words: 'No booklet is gathered here' });
    sendPlayer(response, host, { title: item.title, author: item.author, pages: item.outline } satisfies GatherfoldData);
  });
  /** One page as a picture; heavy on purpose, since the real ones are. */
  router.get('/leaf/:code/:page.svg', (request, response) => {
    const item = world.items.find((i) => i.id === request.params.code);
    const words = item?.outline[Number(request.params.page) - 1];
    if (words === undefined) return void response.status(404).end();
    const marks = Array.from({ length: 26 }, (_, i) => `<path d="M24 ${96 + i * 11}h${150 + ((i * 37) % 40)}"/>`).join('');
    const text = words.replace(/[&<>]/g, '');
    response
      .type('image/svg+xml')
      .send(
        `<svg xmlns="http://www.w3.org/2000/svg" viewBox="0 0 220 400"><rect width="220" height="400" fill="#fffdf4"/><text x="24" y="60" font-family="Georgia" font-size="17" fill="#33402f">${text}</text><g stroke="#b9b59f" stroke-width="3">${marks}</g></svg>`,
      );
  });
  router.get('/fold.js', (_, response) => response.redirect('/assets/gatherfold-script.js'));
  return router.use(shareRouter(host, world));
}
