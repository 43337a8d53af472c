import { Router } from 'express';
import { fileName, serveMedia } from '../shared/media.ts';
import { serveOEmbed, type OEmbedAnswer } from '../shared/oembed.ts';
import { door, sendShare } from '../shared/host.ts';
import { asJson, template } from '../shared/render.ts';
import { addressOf, type StandIn, type StandInWorld } from '../standIn.ts';
import type { DemoItem } from '../world.ts';
import { folderOf } from '../root.ts';

const folder = folderOf('foliobarn');
const framePage = template(folder, 'frame.html');
const NAME = 'Foliobarn';

/** Foliobarn: documents, which stand in frames only once they are released. */
export const foliobarn: StandIn = { id: 'foliobarn', routers: (world) => ({ foliobarn: router(world) }) };

function router(world: StandInWorld): Router {
  const routes = Router();
  serveMedia(routes, folder);
  serveOEmbed(routes, (url) => answerFor(url, world));
  const find = (code: string): DemoItem | undefined => world.items.find((i) => i.id === code);
  routes.get('/d/:code/released', (request, response) => {
    const item = find(request.params.code);
    if (!item?.released) {
      response.set('X-Frame-Options', 'DENY');
      const words = item ? 'This document is not released. Its owner can release it.' : 'No such document';
      return door(response, { name: NAME }, { status: item ? 403 : 404, words });
    }
    if (request.query.frame === 'yes')
      return void response.send(
        framePage({ title: item.title, data: asJson({ title: item.title, leaves: item.outline, author: item.author }) }),
      );
    response.set('X-Frame-Options', 'DENY');
    sendShare(response, NAME, shareView(item, world));
  });
  routes.get('/d/:code/view', (request, response) => {
    const item = find(request.params.code);
    response.set('X-Frame-Options', 'DENY');
    if (!item) return door(response, { name: NAME }, { status: 404, words: 'No such document' });
    sendShare(response, NAME, shareView(item, world));
  });
  routes.get(['/d/:code/edit', '/d/:code/send'], (_, response) => {
    response.set('X-Frame-Options', 'DENY');
    door(response, { name: NAME }, { status: 401, words: 'Sign in to work on this document.' });
  });
  return routes;
}

const released = ({ id }: DemoItem, { origin }: StandInWorld): string => `${addressOf('foliobarn', origin)}/d/${id}/released`;

/** The host's own code comes without a size, so browsers show it at 300 by 150. */
const codeFor = (item: DemoItem, world: StandInWorld): string => `<iframe src="${released(item, world)}?frame=yes"></iframe>`;

/** Only what is released has code to give. */
function shareView(item: DemoItem, world: StandInWorld): { page: string; [field: string]: unknown } {
  const words = item.released ? '' : 'Not released: only its makers can read it.';
  return { ...item, page: released(item, world), code: item.released ? codeFor(item, world) : '', words };
}

function answerFor(url: string, world: StandInWorld): OEmbedAnswer | null {
  const code = URL.canParse(url) ? new URL(url).pathname.split('/')[2] : undefined;
  const item = world.items.find((i) => i.id === code);
  if (!item) return null;
  return {
    type: 'rich',
    title: item.title,
    author_name: item.author,
    provider_name: 'Foliobarn',
    thumbnail_url: `${addressOf('foliobarn', world.origin)}/covers/${fileName(item)}.webp`,
    width: 300,
    height: 150,
    html: codeFor(item, world),
    pages: item.outline.length,
  };
}
