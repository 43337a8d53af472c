import { Router, type Response } from 'express';
import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import { fileName, serveMedia } from '../shared/media.ts';
import { serveSearch } from '../shared/search.ts';
import { serveOEmbed, type OEmbedAnswer } from '../shared/oembed.ts';
import { door, sendShare } from '../shared/host.ts';
import { asJson, template } from '../shared/render.ts';
import { addressOf, type StandIn, type StandInWorld } from '../standIn.ts';
import type { DemoItem } from '../world.ts';
import { folderOf } from '../root.ts';

const folder = folderOf('lanternreel');
const playerPage = template(folder, 'player.html');
/** Stands in the player's page itself, so that no player is drawn before it has its looks. */
const look = readFileSync(join(folder, 'look.css'), 'utf8');

/** Lanternreel: video, upright clips, playlists and live pictures. */
export const lanternreel: StandIn = {
  id: 'lanternreel',
  routers: (world) => ({
    lanternreel: shareRouter(world),
    'm.lanternreel': shareRouter(world),
    lnrl: shortRouter(world),
    'frames.lanternreel': frameRouter(world, { follows: true }),
    'quiet.lanternreel': frameRouter(world, { follows: false }),
    ...Object.fromEntries(
      Object.entries(DISOBEDIENT).map(([name, overruled]) => [
        `${name}.lanternreel`,
        frameRouter(world, { follows: true, overruled }),
      ]),
    ),
  }),
};

/** Frame domains whose players do not do as they are told, to try whether that is found out: what they put over the address. */
export const DISOBEDIENT: Readonly<Record<string, Record<string, string | null>>> = {
  deaf: { hush: null },
  eager: { auto: '1', hush: '1' },
  lazy: { auto: null },
  early: { from: null },
  barred: { bars: null },
  endless: { until: null },
  once: { again: null },
  crowded: { after: null },
};

const pathOf = ({ kind, scope, ratio, id }: DemoItem): string =>
  scope === 'collection' ? `/run/${id}` : kind === 'live' ? `/onair/${id}` : ratio === '9:16' ? `/upright/${id}` : `/see/${id}`;

const NAME = 'Lanternreel';
const gone = (response: Response, status: number, words: string): void => door(response, { name: NAME }, { status, words });

function shareRouter(world: StandInWorld): Router {
  const router = Router();
  serveMedia(router, folder);
  serveOEmbed(router, (url) => answerFor(url, world));
  serveSearch(router, { id: 'lanternreel', name: NAME, pathOf }, world, 'rss');
  router.get(['/see/:id', '/upright/:id', '/run/:id', '/onair/:id'], (request, response) => {
    const item = world.items.find((i) => i.id === request.params.id);
    if (!item) return gone(response, 404, 'No such reel');
    const page = addressOf('lanternreel', world.origin) + pathOf(item);
    // Share pages are for visitors, not for frames; the frame domain is.
    response.set('X-Frame-Options', 'DENY');
    sendShare(response, NAME, { ...item, page, frame: frameOf(item, world), code: codeFor(item, world) });
  });
  return router;
}

function shortRouter(world: StandInWorld): Router {
  return Router().get('/:id', (request, response) => {
    const item = world.items.find((i) => i.id === request.params.id);
    if (!item) return gone(response, 404, 'No such reel');
    response.redirect(302, addressOf('lanternreel', world.origin) + pathOf(item));
  });
}

interface Ways {
  follows: boolean;
  overruled?: Record<string, string | null>;
}

function frameRouter(world: StandInWorld, { follows, overruled = {} }: Ways): Router {
  const router = Router();
  serveMedia(router, folder);
  router.get('/captions/:id.:language.vtt', (request, response) => {
    const item = world.items.find((i) => i.id === request.params.id && i.captions.includes(request.params.language));
    if (!item) return void response.status(404).end();
    response.type('text/vtt').send(captionsOf(item, request.params.language));
  });
  router.get(['/f/:id', '/old/:id'], (request, response) => {
    const item = world.items.find((i) => i.id === request.params.id);
    if (!item) return gone(response, 404, 'No such reel');
    if (follows) response.cookie('lantern-visit', '1', { sameSite: 'none', secure: true });
    response.send(
      playerPage({
        title: item.title,
        look,
        data: asJson({ ...playerData(item, typeof request.query.run === 'string' ? request.query.run : '', world), overruled }),
      }),
    );
  });
  return router;
}

const frameOf = ({ id }: DemoItem, { origin }: StandInWorld): string => `${addressOf('frames.lanternreel', origin)}/f/${id}`;

/** The code of the host's own share box. */
function codeFor(item: DemoItem, world: StandInWorld): string {
  const [width, height] = item.ratio === '9:16' ? [315, 560] : [560, 315];
  return `<iframe width="${width}" height="${height}" src="${frameOf(item, world)}" frameborder="0" allowfullscreen></iframe>`;
}

function answerFor(url: string, world: StandInWorld): OEmbedAnswer | null {
  const id = new URL(url, 'http://none.localhost').pathname.split('/').at(-1);
  const item = world.items.find((i) => i.id === id);
  if (!item) return null;
  const [width, height] = item.ratio === '9:16' ? [315, 560] : [560, 315];
  return {
    type: 'video',
    title: item.title,
    author_name: item.author,
    provider_name: 'Lanternreel',
    thumbnail_url: `${addressOf('lanternreel', world.origin)}/covers/${fileName(item)}.webp`,
    width,
    height,
    html: codeFor(item, world),
    ...(item.duration !== undefined && { duration: item.duration }),
  };
}

export interface Reel {
  id: string;
  title: string;
  channel: string;
  author: string;
  media: string;
  upright: boolean;
}

export interface LanternreelData {
  reels: Reel[];
  /** The playlist that the address names, if any. */
  run: string | null;
  live: boolean;
  languages: string[];
  /** What may be shown at the end. */
  others: Reel[];
  /** Parameters that count for more than the address does; null for one that does not count. */
  overruled: Record<string, string | null>;
}

function playerData(item: DemoItem, runParameter: string, { items }: StandInWorld): Omit<LanternreelData, 'overruled'> {
  const toReel = (i: DemoItem): Reel => ({
    id: i.id,
    title: i.title,
    channel: i.channel,
    author: i.author,
    media: `/media/${fileName(i)}.webm`,
    upright: i.ratio === '9:16',
  });
  const list = item.scope === 'collection' ? item : items.find((i) => i.id === runParameter && i.scope === 'collection');
  const members = (list?.members ?? []).flatMap((id) => items.find((i) => i.id === id) ?? []);
  const first = Math.max(0, members.indexOf(item));
  const reels = list ? [...members.slice(first), ...members.slice(0, first)] : [item];
  return {
    reels: reels.map(toReel),
    run: runParameter === item.id ? item.id : (list?.id ?? null),
    live: item.kind === 'live',
    languages: item.captions,
    others: items.filter((i) => i.kind === 'video' && i.scope === 'item' && !reels.includes(i)).map(toReel),
  };
}

const WORDS: Record<string, (title: string, seconds: number) => string> = {
  en: (title, s) => `${title}: second ${s}`,
  nl: (title, s) => `${title}: seconde ${s}`,
};

/** WebVTT with a line every five seconds. */
function captionsOf({ title, duration = 0 }: DemoItem, language: string): string {
  const stamp = (s: number): string => new Date(s * 1000).toISOString().slice(11, 23);
  const cues = Array.from(
    { length: Math.ceil(duration / 5) },
    (_, i) => `${stamp(i * 5)} --> ${stamp(i * 5 + 4.8)}\n${WORDS[language]!(title, i * 5)}`,
  );
  return `WEBVTT\n\n${cues.join('\n\n')}\n`;
}
