import type { Router } from 'express';
import { byId, door, frameRouter, iframeCode, sendPlayer, shareRouter, type Host } from '../shared/host.ts';
import { fileName } from '../shared/media.ts';
import { addressOf, type StandIn, type StandInWorld } from '../standIn.ts';
import type { DemoItem } from '../world.ts';
import { folderOf } from '../root.ts';

export interface PlumblineData {
  title: string;
  maker: string;
  media: string;
  ratio: string;
}

/** The code of the share box: a wrapper that keeps the ratio by its padding, and a paragraph with a link. */
function codeOf(item: DemoItem, world: StandInWorld): string {
  const [width, height] = sizeOf(item);
  const padding = Math.round((height / width) * 10_000) / 100;
  const frame = iframeCode(
    frameOf(item, world),
    'style="position:absolute;top:0;left:0;width:100%;height:100%"',
    ' frameborder="0"',
  );
  const link = `<p><a href="${addressOf('plumbline', world.origin)}${pathOf(item)}">${item.title}</a> by ${item.author}</p>`;
  return `<div style="padding:${padding}% 0 0 0;position:relative">${frame}</div>\n${link}`;
}

const pathOf = ({ id, key }: DemoItem): string => `/${id}${key ? `/${key}` : ''}`;
const frameOf = ({ id, key }: DemoItem, { origin }: StandInWorld): string =>
  `${addressOf('frame.plumbline', origin)}/v/${id}${key ? `?k=${key}` : ''}`;
const sizeOf = ({ ratio = '16:9' }: DemoItem): [number, number] => {
  const [wide = 16, high = 9] = ratio.split(':').map(Number);
  return [640, Math.round((640 * high) / wide)];
};

const host: Host = {
  id: 'plumbline',
  name: 'Plumbline',
  folder: folderOf('plumbline'),
  paths: ['/:number', '/on/:channel/:number', '/:number/:key'],
  pathOf,
  find: byId(/^\/on\/[^/]+\/(\d+)$/, /^\/(\d+)(?:\/[^/]+)?$/),
  frameOf,
  codeOf,
  answer: (item) => {
    const [width, height] = sizeOf(item);
    return { width, height };
  },
  closed: ({ key }, { path }) =>
    key && !path.endsWith(key) ? { status: 403, words: 'This film is shown to those who have its key.' } : null,
};

/** Plumbline: films, some of them unlisted. */
export const plumbline: StandIn = {
  id: 'plumbline',
  routers: (world) => ({ plumbline: shareRouter(host, world), 'frame.plumbline': players(world) }),
};

function players(world: StandInWorld): Router {
  const router = frameRouter(host);
  router.get('/v/:number', (request, response) => {
    const item = world.items.find((i) => i.id === request.params.number);
    if (!item) return door(response, host, { status: 404, words: 'No film hangs here' });
    if (item.key && request.query.k !== item.key)
      return door(response, host, { status: 403, words: 'This film is unlisted, and its key is missing.' });
    if (request.query.leave !== '1') response.cookie('plumb-line', '1', { sameSite: 'none', secure: true });
    sendPlayer(response, host, {
      title: item.title,
      maker: item.author,
      media: `/media/${fileName(item)}.webm`,
      ratio: item.ratio ?? '16:9',
    } satisfies PlumblineData);
  });
  return router;
}
