import type { Response, Router } from 'express';
import { door, frameRouter, iframeCode, sendPlayer, shareRouter, type Host } from '../shared/host.ts';
import { addressOf, type StandIn, type StandInWorld } from '../standIn.ts';
import type { DemoItem } from '../world.ts';
import { folderOf } from '../root.ts';

export interface AirwherryData {
  title: string;
  deck: 'play' | 'talk' | 'week';
  media: string;
  lines: string[];
}

type Deck = AirwherryData['deck'];
const deckOf = ({ kind }: DemoItem): Deck => (kind === 'chat' ? 'talk' : kind === 'schedule' ? 'week' : 'play');
const stationOf = ({ id }: DemoItem): string => id.split('/')[0]!;
const pathOf = (item: DemoItem): string => `/station/${item.id}`;

const frameOf = (item: DemoItem, { origin }: StandInWorld): string =>
  `${addressOf('airwherry', origin)}/${deckOf(item)}?station=${stationOf(item)}`;

const host: Host = {
  id: 'airwherry',
  name: 'Airwherry',
  folder: folderOf('airwherry'),
  paths: ['/station/:name', '/station/:name/talk', '/station/:name/week'],
  pathOf,
  find: (path, { items }) => items.find((item) => pathOf(item) === path),
  // Chats show in no frame but one that names its page.
  frameOf: (item, world) => (item.kind === 'chat' ? null : frameOf(item, world)),
  // The instructions hold a sample in the place of the name.
  codeOf: (item, { origin }) =>
    iframeCode(
      `${addressOf('airwherry', origin)}/${deckOf(item)}?station=your-station&on=your.site.example`,
      'width="360" height="420"',
    ),
  answer: ({ kind }) => (kind === 'live' ? { width: 360, height: 160 } : { width: 360, height: 420 }),
};

/** Airwherry: stations on air, their talk and their week. */
export const airwherry: StandIn = { id: 'airwherry', routers: (world) => ({ airwherry: server(world) }) };

function server(world: StandInWorld): Router {
  const router = frameRouter(host);
  for (const deck of ['play', 'talk', 'week'] as const)
    router.get(`/${deck}`, (request, response) => {
      const { station, on } = request.query;
      const item = world.items.find((i) => stationOf(i) === station && deckOf(i) === deck);
      if (!item) return door(response, host, { status: 404, words: 'No such station' });
      if (deck === 'talk') allowFraming(response, typeof on === 'string' ? on : '');
      sendPlayer(response, host, {
        title: item.title,
        deck,
        media: `/media/${stationOf(item)}.ogg`,
        lines: item.outline,
      } satisfies AirwherryData);
    });
  return router.use(shareRouter(host, world));
}

/** CSP Level 3, section 6.4.2: the page that is named may frame the talk, and no other. */
function allowFraming(response: Response, domain: string): void {
  const named = /^[a-z0-9.-]+$/i.test(domain) ? `http://${domain}:* https://${domain}:*` : "'none'";
  response.set('Content-Security-Policy', `frame-ancestors ${named}`);
}
