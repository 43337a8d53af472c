import { Router } from 'express';
import mustache from 'mustache';
import { asJson } from '../shared/render.ts';
import { addressOf, type StandIn } from '../standIn.ts';

const PAGE = `<!doctype html>
<html lang="en"><head><meta charset="utf-8"><title>{{title}}</title>{{{head}}}</head>
<body><h1>{{title}}</h1><p>A small host of which no card knows. Its pages say themselves where their player is.</p></body></html>`;

const PLAYER = `<!doctype html>
<html lang="en"><head><meta charset="utf-8"><title>{{title}}</title></head>
<body style="margin:0;display:grid;place-items:center;height:100vh;background:#3d4a3e;color:#f2eddc;font-family:Georgia,serif"><p>{{title}}</p>
<script>parent.postMessage({ postern: 'open', search: location.search }, '*')</script></body></html>`;

const WAYS = ['oembed', 'graph', 'data', 'silent'] as const;
const TITLE = 'A walk along the sea wall';

/** Postern: a host without a card, whose pages declare their player each in another standard. */
export const postern: StandIn = {
  id: 'postern',
  routers: ({ origin }) => {
    const here = addressOf('postern', origin);
    const player = `${here}/player/sea-wall`;
    const heads: Record<(typeof WAYS)[number], string> = {
      oembed: `<link rel="alternate" type="text/xml+oembed" href="/answer.xml?url=x">`,
      graph: `<meta property="og:title" content="${TITLE}"><meta property="og:video:type" content="text/html"><meta property="og:video:secure_url" content="${player}?by=graph">`,
      data: `<script type="application/ld+json">${asJson({ '@type': 'VideoObject', name: TITLE, embedUrl: `${player}?by=data` })}</script>`,
      silent: '',
    };
    const router = Router();
    for (const way of WAYS)
      router.get(`/walk/${way}`, (_, response) => void response.send(mustache.render(PAGE, { title: TITLE, head: heads[way] })));
    router.get('/answer.xml', ({ query }, response) => {
      const html = `<iframe src="${player}?by=oembed" width="${Number(query.maxwidth) || 500}" height="300"></iframe>`;
      const xml = `<oembed><version>1.0</version><type>video</type><title>{{title}}</title><html>{{html}}</html><width>500</width><height>300</height></oembed>`;
      response.type('text/xml').send(mustache.render(xml, { title: TITLE, html }));
    });
    router.get('/player/:name', (_, response) => void response.send(mustache.render(PLAYER, { title: TITLE })));
    router.get('/old/:name', ({ params }, response) => response.redirect(301, `/player/${params.name}`));
    router.get(
      '/closed/:name',
      (_, response) => void response.set('X-Frame-Options', 'SAMEORIGIN').send(mustache.render(PLAYER, { title: TITLE })),
    );
    return { postern: router };
  },
};
