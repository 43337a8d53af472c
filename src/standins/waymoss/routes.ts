import { Router } from 'express';
import { door, frameRouter, iframeCode, sendPlayer, shareRouter, type Host } from '../shared/host.ts';
import { addressOf, type StandIn, type StandInWorld } from '../standIn.ts';
import type { DemoItem } from '../world.ts';
import { folderOf } from '../root.ts';

export interface WaymossData {
  title: string;
  lat: number;
  lon: number;
  places: { title: string; lat: number; lon: number }[];
}

const slugOf = (name: string): string =>
  decodeURIComponent(name)
    .toLowerCase()
    .replace(/[^a-z0-9]+/g, '-');

const frameOf = ({ id }: DemoItem, { origin }: StandInWorld): string => `${addressOf('waymoss', origin)}/frame?place=${id}`;

/** The small gazetteer: a name alone is enough, in whatever spelling of capitals and spaces. */
const findPlace = (name: string, { items }: Pick<StandInWorld, 'items'>): DemoItem | undefined =>
  items.find((i) => i.id === slugOf(name));

function findSpot(at: string, { items }: Pick<StandInWorld, 'items'>): DemoItem | undefined {
  const [lat, lon] = at.split(',').map(Number);
  return items.find(({ place }) => place && place.lat === lat && place.lon === lon);
}

const host: Host = {
  id: 'waymoss',
  name: 'Waymoss',
  folder: folderOf('waymoss'),
  searched: 'rss',
  paths: ['/place/:name', '/at/:spot'],
  pathOf: ({ id }) => `/place/${id}`,
  find: (path, world) => {
    const [, how, what = ''] = path.split('/');
    return how === 'at' ? findSpot(what, world) : findPlace(what, world);
  },
  frameOf,
  codeOf: (item, world) => iframeCode(frameOf(item, world), 'width="480" height="320"'),
  answer: () => ({ width: 480, height: 320 }),
};

/** Waymoss: maps of a small country. */
export const waymoss: StandIn = {
  id: 'waymoss',
  routers: (world) => ({ waymoss: server(world), wmss: short(world) }),
};

function server(world: StandInWorld): Router {
  const router = frameRouter(host);
  router.get('/frame', (request, response) => {
    const { at, place } = request.query;
    const item = typeof place === 'string' ? findPlace(place, world) : typeof at === 'string' ? findSpot(at, world) : undefined;
    const [lat, lon] = typeof at === 'string' ? at.split(',').map(Number) : [item?.place?.lat, item?.place?.lon];
    if (!Number.isFinite(lat) || !Number.isFinite(lon))
      return door(response, host, { status: 404, words: 'This place is on no map' });
    const places = world.items.flatMap(({ title, place: spot }) => (spot ? [{ title, ...spot }] : []));
    sendPlayer(response, host, { title: item?.title ?? `${lat}, ${lon}`, lat: lat!, lon: lon!, places } satisfies WaymossData);
  });
  return router.use(shareRouter(host, world));
}

function short({ origin }: StandInWorld): Router {
  return Router().get('/:name', (request, response) =>
    response.redirect(302, `${addressOf('waymoss', origin)}/place/${encodeURIComponent(request.params.name)}`),
  );
}
