import { Router } from 'express';
import mustache from 'mustache';
import { byId, door, frameRouter, iframeCode, sendPlayer, shareRouter, type Host } from '../shared/host.ts';
import { fileName } from '../shared/media.ts';
import { addressOf, type StandIn, type StandInWorld } from '../standIn.ts';
import type { DemoItem } from '../world.ts';
import { podcast } from './podcast.ts';
import { folderOf } from '../root.ts';

export interface Episode {
  title: string;
  number: number;
  media: string;
}
export interface EarbrookData {
  title: string;
  show: string;
  episodes: Episode[];
}

const pathOf = ({ scope, id, number }: DemoItem): string =>
  scope === 'channel' ? `/show/${id}` : `/show/${id.replace(/-\d+$/, '')}/${number}`;
const frameOf = ({ scope, id }: DemoItem, { origin }: StandInWorld): string =>
  `${addressOf('player.earbrook', origin)}${scope === 'channel' ? '/show/' : '/episode/'}${id}`;

/** Scheduled episodes are not out before their date. */
const isOut = ({ notBefore }: DemoItem, now = new Date()): boolean => !notBefore || new Date(notBefore) <= now;

const host: Host = {
  id: 'earbrook',
  name: 'Earbrook',
  folder: folderOf('earbrook'),
  searched: 'atom',
  paths: ['/show/:slug', '/show/:slug/:number', '/listen/:code'],
  pathOf,
  find: (path, world) =>
    byId(/^\/listen\/([\w-]+)$/, /^\/show\/([\w-]+)$/)(path.replace(/^\/show\/([\w-]+)\/(\d+)$/, '/listen/$1-$2'), world),
  frameOf,
  codeOf: (item, world) => iframeCode(frameOf(item, world), 'width="100%" height="430"', ' frameborder="0" scrolling="no"'),
  answer: ({ scope }) => ({ width: '100%', height: scope === 'channel' ? 430 : 180 }),
};

/** Earbrook: podcasts, with a feed for each show. */
export const earbrook: StandIn = {
  id: 'earbrook',
  routers: (world) => ({ earbrook: shareServer(world), 'player.earbrook': players(world) }),
};

/** RSS 2.0. */
const FEED = `<?xml version="1.0" encoding="utf-8"?>
<rss version="2.0"><channel><title>{{title}}</title><link>{{link}}</link><description>{{title}} by {{author}}</description>
{{#episodes}}<item><title>{{title}}</title><link>{{link}}</link><guid isPermaLink="false">{{id}}</guid><description>{{words}}</description></item>
{{/episodes}}</channel></rss>
`;

function shareServer(world: StandInWorld): Router {
  const router = Router();
  router.get('/show/:slug/feed.xml', (request, response) => {
    const show = world.items.find((i) => i.id === request.params.slug && i.scope === 'channel');
    if (!show) return void response.status(404).end();
    const link = (i: DemoItem): string => addressOf('earbrook', world.origin) + pathOf(i);
    const episodes = episodesOf(show, world).map((i) => ({
      ...i,
      link: link(i),
      words: `Episode ${i.number} of ${show.title}.`,
    }));
    response.type('application/rss+xml').send(mustache.render(FEED, { ...show, link: link(show), episodes }));
  });
  return router.use(podcast(world, pathOf)).use(shareRouter(host, world));
}

const episodesOf = ({ members }: DemoItem, { items }: StandInWorld): DemoItem[] =>
  members.flatMap((id) => items.find((i) => i.id === id) ?? []).filter((i) => isOut(i));

function players(world: StandInWorld): Router {
  const router = frameRouter(host);
  router.get(['/show/:id', '/episode/:id'], (request, response) => {
    const item = world.items.find((i) => i.id === request.params.id);
    const show = item?.scope === 'channel' ? item : world.items.find((i) => item && i.members.includes(item.id));
    if (!item || !show) return door(response, host, { status: 404, words: 'Nothing runs in this brook' });
    if (!isOut(item)) {
      // RFC 9110, section 10.2.3: when it is worth asking again.
      response.set('Retry-After', new Date(item.notBefore!).toUTCString());
      return door(response, host, { status: 503, words: `Out on ${item.notBefore}.` });
    }
    const others = episodesOf(show, world).filter((i) => i !== item);
    const episodes = (item === show ? [...others].reverse() : [item, ...[...others].reverse()]).map((i) => ({
      title: i.title,
      number: i.number ?? 0,
      media: `/media/${fileName(i)}.ogg`,
    }));
    sendPlayer(response, host, { title: item.title, show: show.title, episodes } satisfies EarbrookData);
  });
  return router;
}
