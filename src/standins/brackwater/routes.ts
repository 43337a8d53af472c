import { Router, type Response } from 'express';
import mustache from 'mustache';
import { door, iframeCode, sendPlayer } from '../shared/host.ts';
import { serveMedia } from '../shared/media.ts';
import { asJson } from '../shared/render.ts';
import { addressOf, type StandIn } from '../standIn.ts';
import { folderOf } from '../root.ts';

/** What the player page is told. */
export interface BrackwaterData {
  title: string;
  media: string;
}

interface Sound {
  uuid: string;
  slug: string;
  /** In no link: the page alone names it. */
  inner: string;
  title: string;
  author: string;
  /** Name of the file, of those of the sample world. */
  media: string;
}

const SOUNDS: readonly Sound[] = [
  {
    uuid: '5f0c7a52-1d34-4b8e-9a61-70b2c8d91e40',
    slug: 'the-mill-before-dawn',
    inner: '90417',
    title: 'The mill before dawn',
    author: 'Quillmarsh Tide Mill',
    media: 'quillmarsh-mill.the-mill-at-night',
  },
  {
    uuid: 'c81e0b93-6f27-4d15-8f0e-2a9d54b7f318',
    slug: 'rain-at-the-loft',
    inner: '88120',
    title: 'Rain at the loft',
    author: 'Quillmarsh Tide Mill',
    media: 'quillmarsh-mill.rain-on-the-loft',
  },
  {
    uuid: '27d4f6ae-93b0-4c71-b5d8-e61f0a3c7d92',
    slug: 'engine-at-low-water',
    inner: '73355',
    title: 'Engine at low water',
    author: 'Estuary Ferry Volunteers',
    media: 'estuary-ferry.engine-and-gulls',
  },
];

const ID = 'brackwater';
const PAGE = `<!doctype html>
<html lang="en"><head><meta charset="utf-8"><title>{{title}} · Brackwater</title><link rel="stylesheet" href="/share.css"><link rel="stylesheet" href="/look.css">
<script type="application/ld+json">{{{data}}}</script></head>
<body class="page"><header class="house">Brackwater</header><main><h1>{{title}}</h1><p>{{author}}</p>
<section aria-label="Share"><label>Link <input readonly value="{{page}}"></label>
{{#codes}}<label>{{words}} <textarea readonly rows="2">{{code}}</textarea></label>{{/codes}}</section></main></body></html>`;

const encoded = (settings: object): string => Buffer.from(JSON.stringify(settings)).toString('base64url');

/** Brackwater: sounds of a host in nobody's book. What is set is one encoded object; the inner number stands in the page alone. */
export const brackwater: StandIn = {
  id: ID,
  routers: ({ origin }) => {
    const player = addressOf(`play.${ID}`, origin);
    const codeOf = ({ inner }: Sound, settings?: object): string =>
      iframeCode(
        `${player}/x/${inner}${settings ? `?cfg=${encoded(settings)}` : ''}`,
        'width="100%" height="180"',
        ' allow="autoplay"',
      );
    const share = (sound: Sound | undefined, response: Response): void => {
      response.set('X-Frame-Options', 'DENY');
      if (!sound) return door(response, { name: 'Brackwater' }, { status: 404, words: 'Nothing sounds here' });
      const { title, author, inner, uuid } = sound;
      const data = asJson({
        '@context': 'https://schema.org',
        '@type': 'AudioObject',
        name: title,
        embedUrl: `${player}/x/${inner}`,
      });
      const codes = [
        { words: 'Code', code: codeOf(sound) },
        { words: 'Begins by itself', code: codeOf(sound, { a: true }) },
        { words: 'Over and over', code: codeOf(sound, { l: true }) },
        { words: 'From 0:08', code: codeOf(sound, { t: 8000 }) },
        { words: 'Half as loud', code: codeOf(sound, { v: 0.5 }) },
        { words: 'In green', code: codeOf(sound, { c: '#2f7a4f' }) },
      ];
      response.send(mustache.render(PAGE, { title, author, data, page: `${addressOf(ID, origin)}/?e=${uuid}`, codes }));
    };
    const pages = Router();
    serveMedia(pages, folderOf('brackwater'));
    pages.get('/', ({ query }, response) =>
      share(
        SOUNDS.find(({ uuid }) => uuid === query.e),
        response,
      ),
    );
    pages.get('/s/:slug', ({ params }, response) =>
      share(
        SOUNDS.find(({ slug }) => slug === params.slug),
        response,
      ),
    );
    const players = Router();
    serveMedia(players, folderOf('brackwater'));
    players.get('/x/:inner', ({ params }, response) => {
      const sound = SOUNDS.find(({ inner }) => inner === params.inner);
      if (!sound) return door(response, { name: 'Brackwater' }, { status: 404, words: 'Nothing sounds here' });
      sendPlayer(response, { id: ID }, { title: sound.title, media: `/media/${sound.media}.ogg` } satisfies BrackwaterData);
    });
    return { [`${ID}`]: pages, [`play.${ID}`]: players };
  },
};
