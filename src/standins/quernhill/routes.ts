import { Router, type Response } from 'express';
import { door, iframeCode, sendPlayer, sendShare } from '../shared/host.ts';
import { serveMedia } from '../shared/media.ts';
import { serveOEmbed } from '../shared/oembed.ts';
import { addressOf, type StandIn } from '../standIn.ts';
import { folderOf } from '../root.ts';

/** What the player page is told. */
export interface QuernhillData {
  title: string;
  media: string;
}

interface Film {
  number: string;
  words: string;
  title: string;
  author: string;
  /** Name of the file, of those of the sample world. */
  media: string;
  seconds: number;
}

const FILMS: readonly Film[] = [
  {
    number: '731205',
    words: 'the-mill-from-the-causeway',
    title: 'The mill from the causeway',
    author: 'Quillmarsh Tide Mill',
    media: '4410207',
    seconds: 60,
  },
  {
    number: '88014',
    words: 'a-day-at-the-wall',
    title: 'A day at the wall',
    author: 'Quillmarsh Tide Mill',
    media: '4410311',
    seconds: 64,
  },
  {
    number: '4902117',
    words: 'new-ferry-old-river',
    title: 'New ferry, old river',
    author: 'Estuary Ferry Volunteers',
    media: '4410555',
    seconds: 44,
  },
];

const ID = 'quernhill';
const SIZE = 'width="560" height="315"';
const byNumber = (number: string): Film | undefined => FILMS.find((film) => film.number === number);
const bySlug = (slug: string): Film | undefined => byNumber(/(\d+)$/.exec(slug)?.[1] ?? '');

/** Quernhill: films of a host in nobody's book. Flags are joined in the path of its frame; its player reports in codes. */
export const quernhill: StandIn = {
  id: ID,
  routers: ({ origin }) => {
    const stage = addressOf(`stage.${ID}`, origin);
    const pageOf = (film: Film): string => `${addressOf(ID, origin)}/films/${film.words}-${film.number}`;
    const codeOf = (film: Film, more = ''): string =>
      iframeCode(`${stage}/${film.number}/${more}`, SIZE, ' allow="autoplay; fullscreen"');
    const share = (film: Film | undefined, response: Response): void => {
      response.set('X-Frame-Options', 'DENY');
      if (!film) return door(response, { name: 'Quernhill' }, { status: 404, words: 'No film is ground here' });
      sendShare(response, 'Quernhill', {
        title: film.title,
        author: film.author,
        page: pageOf(film),
        frame: `${stage}/${film.number}/`,
        code: codeOf(film),
        variants: [
          { words: 'Runs by itself', code: codeOf(film, 'run') },
          { words: 'Hushed', code: codeOf(film, 'hush') },
          { words: 'Round and round, hushed', code: codeOf(film, 'hush,round') },
          { words: 'From 0:12', code: codeOf(film, '#0:12') },
          { words: 'Nothing after it', code: codeOf(film, '?then=none') },
        ],
      });
    };
    const pages = Router();
    serveMedia(pages, folderOf('quernhill'));
    serveOEmbed(pages, (url) => {
      const film = URL.canParse(url) ? bySlug(new URL(url).pathname) : undefined;
      return film
        ? {
            type: 'video',
            title: film.title,
            author_name: film.author,
            provider_name: 'Quernhill',
            html: codeOf(film),
            width: 560,
            height: 315,
            duration: film.seconds,
          }
        : null;
    });
    pages.get(['/films/:slug', '/u/:name/films/:slug', '/:language/films/:slug'], ({ params }, response) =>
      share(bySlug(String(params.slug)), response),
    );
    const short = Router();
    short.get('/:number', ({ params }, response) => {
      const film = byNumber(params.number);
      return film ? response.redirect(pageOf(film)) : share(undefined, response);
    });
    const frames = Router();
    serveMedia(frames, folderOf('quernhill'));
    frames.get(['/:number', '/:number/:flags'], ({ params }, response) => {
      const film = byNumber(String(params.number));
      if (!film) return door(response, { name: 'Quernhill' }, { status: 404, words: 'No film is ground here' });
      sendPlayer(response, { id: ID }, { title: film.title, media: `/media/${film.media}.webm` } satisfies QuernhillData);
    });
    return { [`${ID}`]: pages, qrn: short, [`stage.${ID}`]: frames };
  },
};
