import { Router, type Response } from 'express';
import mustache from 'mustache';
import { door, iframeCode, sendPlayer } from '../shared/host.ts';
import { serveMedia } from '../shared/media.ts';
import { addressOf, type StandIn } from '../standIn.ts';
import { folderOf } from '../root.ts';

/** What the player page is told. */
export interface WithybandData {
  title: string;
  slides: readonly string[];
}

interface Deck extends WithybandData {
  /** An old code of letters, or a new one of groups. */
  code: string;
  author: string;
}

const DECKS: readonly Deck[] = [
  {
    code: 'hgtrwq',
    title: 'How a sluice is hung',
    author: 'Quillmarsh Tide Mill',
    slides: ['The frame', 'The hinge', 'The gate', 'The first tide', 'What wears', 'What lasts'],
  },
  {
    code: 'wb-2041-77',
    title: 'Baking with tide flour',
    author: 'Saltings Bakehouse',
    slides: ['Flour', 'Water', 'Salt', 'Time', 'Fire'],
  },
  {
    code: 'wb-3310-02',
    title: 'A ferry through the year',
    author: 'Estuary Ferry Volunteers',
    slides: ['Spring', 'Summer', 'Autumn', 'Winter'],
  },
];

const ID = 'withyband';
const PAGE = `<!doctype html>
<html lang="en"><head><meta charset="utf-8"><title>{{title}} · Withyband</title><link rel="stylesheet" href="/share.css"><link rel="stylesheet" href="/look.css"></head>
<body class="page"><header class="house">Withyband</header><main><h1>{{title}}</h1><p>{{author}}</p>
<section aria-label="Share"><label>Link <input readonly value="{{page}}"></label>
{{#codes}}<label>{{words}} <textarea readonly rows="2">{{code}}</textarea></label>{{/codes}}</section></main></body></html>`;

/** Withyband: slides of a host in nobody's book. Everything that is set stands in one parameter; it has an element of its own too. */
export const withyband: StandIn = {
  id: ID,
  routers: ({ origin }) => {
    const band = addressOf(`w.${ID}`, origin);
    const codeOf = ({ code }: Deck, opts = ''): string =>
      `<div style="position:relative;padding-top:60%">${iframeCode(`${band}/?doc=${code}${opts && `&opts=${opts}`}`, 'style="position:absolute;top:0;left:0;width:100%;height:100%"')}</div>`;
    const share = (deck: Deck | undefined, response: Response): void => {
      response.set('X-Frame-Options', 'DENY');
      if (!deck) return door(response, { name: 'Withyband' }, { status: 404, words: 'No band is woven here' });
      const codes = [
        { words: 'Code', code: codeOf(deck) },
        { words: 'From the third', code: codeOf(deck, 'start:3') },
        { words: 'Round again', code: codeOf(deck, 'loop') },
        { words: 'By itself, every four seconds', code: codeOf(deck, 'go;every:4s') },
        { words: 'By itself', code: codeOf(deck, 'go') },
      ];
      const { title, author, code } = deck;
      response.send(mustache.render(PAGE, { title, author, page: `${addressOf(ID, origin)}/d/${code}?lang=en`, codes }));
    };
    const pages = Router();
    serveMedia(pages, folderOf('withyband'));
    pages.get('/d/:code', ({ params }, response) =>
      share(
        DECKS.find(({ code }) => code === params.code),
        response,
      ),
    );
    pages.get('/band.js', (_, response) => response.redirect('/assets/withyband-script.js'));
    const frames = Router();
    serveMedia(frames, folderOf('withyband'));
    frames.get('/', ({ query }, response) => {
      const deck = DECKS.find(({ code }) => code === query.doc);
      if (!deck) return door(response, { name: 'Withyband' }, { status: 404, words: 'No band is woven here' });
      sendPlayer(response, { id: ID }, { title: deck.title, slides: deck.slides } satisfies WithybandData);
    });
    return { [`${ID}`]: pages, [`w.${ID}`]: frames };
  },
};
