import { Router } from 'express';
import { shareRouter, type Host } from '../shared/host.ts';
import { addressOf, type StandIn, type StandInWorld } from '../standIn.ts';
import type { DemoItem } from '../world.ts';
import { folderOf } from '../root.ts';

const albumOf = (item: DemoItem, { items }: Pick<StandInWorld, 'items'>): DemoItem =>
  item.scope === 'collection' ? item : items.find((i) => i.members.includes(item.id))!;

/** The album's own share box has no code; that of a photo in it has: a link, a picture and a script. */
function codeOf(item: DemoItem, world: StandInWorld): string {
  if (item.scope === 'collection') return '';
  const here = addressOf('albumfen', world.origin);
  return (
    `<a data-fen-album="${albumOf(item, world).id}" href="${here}${pathOf(item, world)}">` +
    `<img src="${here}/covers/${item.id}.webp" width="640" height="360" alt="${item.title}"></a>\n` +
    `<script async src="${here}/fen.js"></script>`
  );
}

const pathOf = (item: DemoItem, world: Pick<StandInWorld, 'items'>): string =>
  item.scope === 'collection'
    ? `/by/${item.channel}/album/${item.id}`
    : `/by/${item.channel}/${item.id}/in/album-${albumOf(item, world).id}`;

const hostOf = (world: StandInWorld): Host => ({
  id: 'albumfen',
  name: 'Albumfen',
  folder: folderOf('albumfen'),
  paths: ['/by/:name/album/:code', '/by/:name/:photo/in/:album'],
  pathOf: (item) => pathOf(item, world),
  find: (path, { items }) => items.find((i) => pathOf(i, { items }) === path),
  frameOf: () => null,
  codeOf,
  answer: () => ({ width: 640, height: 360 }),
});

/** Albumfen: photos and albums of them. */
export const albumfen: StandIn = { id: 'albumfen', routers: (world) => ({ albumfen: server(world) }) };

function server(world: StandInWorld): Router {
  const router = Router();
  // What the script asks from the pages of others (Fetch Standard, section 3.3).
  router.get('/album/:code.json', (request, response) => {
    const album = world.items.find((i) => i.id === request.params.code && i.scope === 'collection');
    response.set('Access-Control-Allow-Origin', '*');
    if (!album) return void response.status(404).end();
    const photos = album.members.map((id) => world.items.find((i) => i.id === id)!);
    response.json({ title: album.title, author: album.author, photos: photos.map(({ id, title }) => ({ id, title })) });
  });
  router.get('/fen.js', (_, response) => response.redirect('/assets/albumfen-script.js'));
  return router.use(shareRouter(hostOf(world), world));
}
