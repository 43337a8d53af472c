import { Router } from 'express';
import { fileName, serveMedia } from '../shared/media.ts';
import { serveOEmbed, type OEmbedAnswer } from '../shared/oembed.ts';
import { sendShare } from '../shared/host.ts';
import { asJson, template } from '../shared/render.ts';
import { addressOf, type StandIn, type StandInWorld } from '../standIn.ts';
import type { DemoItem } from '../world.ts';
import { folderOf } from '../root.ts';

const folder = folderOf('murmurfold');
const playerPage = template(folder, 'player.html');

/** Murmurfold: sound recordings and collections of them. */
export const murmurfold: StandIn = {
  id: 'murmurfold',
  routers: (world) => ({ murmurfold: shareRouter(world), 'frame.murmurfold': frameRouter(world) }),
};

const pathOf = ({ id, scope, key }: DemoItem): string => {
  const [artist, name] = id.split('/');
  return scope === 'collection' ? `/${artist}/sets/${name}` : `/${id}${key ? `/${key}` : ''}`;
};

/** The item that a path names; a private track only with its key. */
const find = (path: string, { items }: StandInWorld): DemoItem | undefined => items.find((item) => pathOf(item) === path);

function shareRouter(world: StandInWorld): Router {
  const router = Router();
  serveMedia(router, folder);
  serveOEmbed(router, (url) => answerFor(url, world));
  router.get('/*path', (request, response) => {
    const item = find(request.path, world);
    // The share link is a page; it may not stand in a frame.
    response.set('Content-Security-Policy', "frame-ancestors 'none'");
    if (!item) return void response.status(404).type('text').send('Nothing sounds here');
    const page = addressOf('murmurfold', world.origin) + pathOf(item);
    sendShare(response, 'Murmurfold', { ...item, page, frame: frameOf(item, world), code: codeFor(item, world) });
  });
  return router;
}

function frameRouter(world: StandInWorld): Router {
  const router = Router();
  serveMedia(router, folder);
  router.get('/player', (request, response) => {
    const { src } = request.query;
    const item = typeof src === 'string' && URL.canParse(src) ? find(new URL(src).pathname, world) : undefined;
    if (!item) return void response.status(404).send(playerPage({ title: 'Nothing sounds here', data: asJson({ tracks: [] }) }));
    response.send(playerPage({ title: item.title, data: asJson(playerData(item, world)) }));
  });
  return router;
}

const frameOf = (item: DemoItem, { origin }: StandInWorld): string =>
  `${addressOf('frame.murmurfold', origin)}/player?src=${encodeURIComponent(addressOf('murmurfold', origin) + pathOf(item))}`;

const codeFor = (item: DemoItem, world: StandInWorld): string =>
  `<iframe width="100%" height="420" src="${frameOf(item, world)}"></iframe>`;

function answerFor(url: string, world: StandInWorld): OEmbedAnswer | null {
  const item = URL.canParse(url) ? find(new URL(url).pathname, world) : undefined;
  if (!item) return null;
  return {
    type: 'rich',
    title: item.title,
    author_name: item.author,
    provider_name: 'Murmurfold',
    thumbnail_url: `${addressOf('murmurfold', world.origin)}/covers/${fileName(item)}.webp`,
    width: '100%',
    height: 420,
    html: codeFor(item, world),
    ...(item.duration !== undefined && { duration: item.duration }),
  };
}

interface Track {
  title: string;
  author: string;
  media: string;
  cover: string;
}

export interface MurmurfoldData {
  title: string;
  tracks: Track[];
}

function playerData(item: DemoItem, { items }: StandInWorld): MurmurfoldData {
  const members = item.scope === 'collection' ? item.members.flatMap((id) => items.find((i) => i.id === id) ?? []) : [item];
  return {
    title: item.title,
    tracks: members.map((m) => ({
      title: m.title,
      author: m.author,
      media: `/media/${fileName(m)}.ogg`,
      cover: `/covers/${fileName(m)}.webp`,
    })),
  };
}
