import { Router } from 'express';
import mustache from 'mustache';
import { addressOf, type StandIn } from '../standIn.ts';

const PAGE = `<!doctype html>
<html lang="en"><head><meta charset="utf-8"><meta name="viewport" content="width=device-width"><title>Millwright</title>
<style>body{margin:2em auto;max-width:720px;padding:0 1em;font:17px/1.5 Georgia,serif}textarea{width:100%;box-sizing:border-box;font:inherit}</style></head>
<body><h1>Millwright</h1>
<p><label for="text">A new page</label></p>
<p><textarea id="text" rows="6"></textarea></p>
<p><button type="button" id="publish" data-provider="{{provider}}" data-site="mill">Publish</button></p>
<article aria-label="The page"></article>
<script src="{{script}}"></script></body></html>`;

/** Millwright: a page editor that speaks oEmbed, with this Refenestra as its provider. A link that stands alone becomes a player. */
export const millwright: StandIn = {
  id: 'millwright',
  routers: ({ origin }) => {
    const script = `${addressOf('millwright', origin)}/assets/millwright-script.js`;
    const router = Router();
    router.get('/', (_, response) => void response.send(mustache.render(PAGE, { provider: `${origin}/oembed`, script })));
    return { millwright: router };
  },
};
