import { Router, type Request, type Response } from 'express';
import { addressOf, type StandInWorld } from '../standIn.ts';
import type { DemoItem } from '../world.ts';
import { fileName, serveMedia } from './media.ts';
import { serveOEmbed, type OEmbedAnswer } from './oembed.ts';
import { serveSearch, type SearchedAs } from './search.ts';
import { asJson, template } from './render.ts';
import { folderOf } from '../root.ts';

const here = folderOf('shared');
const sharePage = template(here, 'share.html');
const framePage = template(here, 'frame.html');
const doorPage = template(here, 'door.html');

/** What one stand-in's pages are made of. */
export interface Host {
  id: string;
  name: string;
  /** Folder with its `look.css`. */
  folder: string;
  /** Paths of its share pages, as Express writes them. */
  paths: readonly string[];
  pathOf: (item: DemoItem) => string;
  /** The item that a path leads to. */
  find: (path: string, world: StandInWorld) => DemoItem | undefined;
  frameOf: (item: DemoItem, world: StandInWorld) => string | null;
  /** The code of its share box; empty where the box has none. */
  codeOf: (item: DemoItem, world: StandInWorld) => string;
  /** Size and further fields of its oEmbed answer; null where it answers for none. */
  answer: (item: DemoItem) => Record<string, string | number> | null;
  /** In what it answers when it is searched; absent where it cannot be. */
  searched?: SearchedAs;
  /** Why the share page may not be seen, as a status and words. */
  closed?: (item: DemoItem, request: Request) => { status: number; words: string } | null;
}

/** Media, oEmbed and share pages; the pages may not be framed, since frames have addresses of their own. */
export function shareRouter(host: Host, world: StandInWorld): Router {
  const router = Router();
  serveMedia(router, host.folder);
  serveOEmbed(router, (url) => {
    const item = URL.canParse(url) ? host.find(new URL(url).pathname, world) : undefined;
    return item ? answerFor(host, item, world) : null;
  });
  if (host.searched) serveSearch(router, host, world, host.searched);
  router.get([...host.paths], (request, response) => {
    const item = host.find(request.path, world);
    response.set('X-Frame-Options', 'DENY');
    if (!item) return door(response, host, { status: 404, words: 'There is nothing under this address' });
    const closed = host.closed?.(item, request);
    if (closed) return door(response, host, closed);
    const page = addressOf(host.id, world.origin) + host.pathOf(item);
    const [frame, code] = [host.frameOf(item, world), host.codeOf(item, world)];
    sendShare(response, host.name, { ...item, page, frame, code });
  });
  return router;
}

/** A router for players alone. */
export function frameRouter(host: Host): Router {
  const router = Router();
  serveMedia(router, host.folder);
  return router;
}

/** A share page: the player, title and maker, and the share box where there is code to give. */
export function sendShare(response: Response, house: string, view: { page: string; [field: string]: unknown }): void {
  response.send(sharePage({ ...view, house, found: encodeURIComponent(view.page) }));
}

/** A page that says why there is no more to see. */
export function door(
  response: Response,
  { name }: Pick<Host, 'name'>,
  { status, words }: { status: number; words: string },
): void {
  response.status(status).send(doorPage({ house: name, words }));
}

/** The player page, with the data that its script reads. */
export function sendPlayer<Data extends { title: string }>(response: Response, { id }: Pick<Host, 'id'>, data: Data): void {
  response.send(framePage({ id, title: data.title, data: asJson(data) }));
}

function answerFor(host: Host, item: DemoItem, world: StandInWorld): OEmbedAnswer | null {
  const more = host.answer(item);
  if (!more) return null;
  return {
    type: item.kind === 'video' ? 'video' : 'rich',
    title: item.title,
    author_name: item.author,
    provider_name: host.name,
    thumbnail_url: `${addressOf(host.id, world.origin)}/covers/${fileName(item)}.webp`,
    html: host.codeOf(item, world),
    ...(item.duration !== undefined && { duration: item.duration }),
    ...more,
  };
}

/** The last part of a path, without what comes behind it. */
export const byId =
  (...patterns: RegExp[]) =>
  (path: string, { items }: Pick<StandInWorld, 'items'>): DemoItem | undefined => {
    for (const pattern of patterns) {
      const id = pattern.exec(path)?.[1];
      const item = id === undefined ? undefined : items.find((i) => i.id === id);
      if (item) return item;
    }
    return undefined;
  };

/** `<iframe …>` of a share box. */
export const iframeCode = (src: string | null, size: string, more = ''): string =>
  `<iframe src="${(src ?? '').replaceAll('&', '&amp;')}" ${size}${more}></iframe>`;
