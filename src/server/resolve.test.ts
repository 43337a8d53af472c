import { createServer, type RequestListener, type Server } from 'node:http';
import { once } from 'node:events';
import type { AddressInfo } from 'node:net';
import express from 'express';
import pino from 'pino';
import { pinoHttp } from 'pino-http';
import request from 'supertest';
import { afterAll, beforeAll, describe, expect, test } from 'vitest';
import { makeBook } from '../core/known/hosts/book.ts';
import { bringIn, makeEmbed } from '../core/pipeline.ts';
import { Answers } from './answers.ts';
import { resolveRoute } from './resolve.ts';
import { NOBODY } from './team.ts';

/** A host of no card, with pages in order and others that mean harm; it answers on this machine under a name of its own. */
const book = makeBook([]);
let server: Server;
let origin = '';
const page =
  (head: string): RequestListener =>
  (_, response) =>
    response.writeHead(200, { 'content-type': 'text/html' }).end(`<!doctype html><title>x</title>${head}`);
const oembed = (path: string, type = 'application/json+oembed') => page(`<link rel="alternate" type="${type}" href="${path}">`);
const answer =
  (type: string, body: string | Buffer): RequestListener =>
  (_, response) =>
    response.writeHead(200, { 'content-type': type }).end(body);
const ROUTES: Record<string, RequestListener> = {
  '/json': oembed('/answer.json'),
  '/answer.json': answer(
    'application/json',
    JSON.stringify({ type: 'video', title: 'T', html: '<iframe src="https://media.example/e/1"></iframe>' }),
  ),
  '/xml': oembed('/answer.xml', 'text/xml+oembed'),
  '/answer.xml': answer(
    'text/xml',
    '<oembed><title>T</title><html>&lt;iframe src=&#34;https://media.example/e/1&#34;&gt;&lt;/iframe&gt;</html></oembed>',
  ),
  '/not-json': oembed('/not.json'),
  '/not.json': answer('application/json', '<html>'),
  '/other-type': oembed('/other'),
  '/other': answer('text/html', '{"html":"<iframe src=https://media.example/e/1>"}'),
  '/huge': oembed('/huge.json'),
  '/huge.json': answer('application/json', Buffer.alloc(50_000_000, 32)),
  '/endless': oembed('/endless.json'),
  '/endless.json': (asked, response) => {
    response.writeHead(200, { 'content-type': 'application/json' });
    const timer = setInterval(() => response.write(' '), 50);
    asked.on('close', () => clearInterval(timer));
  },
  '/script': oembed('/script.json'),
  '/script.json': answer(
    'application/json',
    JSON.stringify({ html: '<script>steal()</script><iframe src="javascript:steal()"></iframe>' }),
  ),
  '/running': oembed('/running.json'),
  '/running.json': answer(
    'application/json',
    JSON.stringify({ html: '<iframe src="https://media.example/e/4" onload="steal()"></iframe>' }),
  ),
  '/entities': oembed('/entities.xml', 'text/xml+oembed'),
  '/entities.xml': answer('text/xml', `<!DOCTYPE o [<!ENTITY a "${'a'.repeat(1000)}">]><oembed><title>&a;&a;</title></oembed>`),
  '/graph': page('<meta property="og:video" content="https://media.example/e/2"><meta property="og:title" content="G">'),
  '/graph-bad': page('<meta property="og:video" content="javascript:steal()">'),
  '/data': page(
    `<script type="application/ld+json">{"@graph":[{"@type":"VideoObject","embedUrl":"https://media.example/e/3"}]}</script>`,
  ),
  '/data-bad': page('<script type="application/ld+json">{"embedUrl": </script>'),
  '/silent': page(''),
};

beforeAll(async () => {
  server = createServer((asked, response) => (ROUTES[asked.url!.split('?')[0]!] ?? ROUTES['/silent']!)(asked, response)).listen(
    0,
    '127.0.0.1',
  );
  await once(server, 'listening');
  origin = `http://pages.localhost:${(server.address() as AddressInfo).port}`;
});
afterAll(() => {
  server.closeAllConnections();
  server.close();
});

interface Answer {
  found: { by: string; text: string } | null;
  facts: { title?: string };
  refused: string | null;
}

async function ask(path: string, more: object = {}): Promise<Answer> {
  const app = express().use(pinoHttp({ logger: pino({ level: 'silent' }) }));
  app.post(
    '/',
    express.json(),
    resolveRoute({
      known: () => ({ book, cards: [], sites: [], team: NOBODY }),
      guard: { origins: new Set([origin]) },
      answers: new Answers('resolve'),
      limit: [],
    }),
  );
  return (
    await request(app)
      .post('/')
      .send({ url: origin + path, ...more })
  ).body as Answer;
}

describe('what a page of no card says of its player', () => {
  test.each([
    ['/json', 'oembed', 'https://media.example/e/1'],
    ['/xml', 'oembed', 'https://media.example/e/1'],
    ['/graph', 'openGraph', 'https://media.example/e/2'],
    ['/data', 'jsonLd', 'https://media.example/e/3'],
  ])('%s is found by %s', async (path, by, address) => {
    const { found } = await ask(path);
    expect(found!.by).toBe(by);
    expect(bringIn(found!.text, book)[0]!.item!.frame).toBe(address);
  });

  test('an endpoint of a provider list goes before the page', async () => {
    const { found } = await ask('/silent', { endpoint: `${origin}/answer.json` });
    expect(found!.by).toBe('oembed');
  });
});

describe('answers that are no good', () => {
  test.each(['/not-json', '/other-type', '/huge', '/endless', '/graph-bad', '/data-bad', '/entities', '/silent'])(
    '%s: nothing is taken, and nothing breaks',
    async (path) => {
      expect((await ask(path)).found).toBeNull();
    },
  );

  test('script in an answer is text for the reader, who refuses it', async () => {
    const { found } = await ask('/script');
    expect(bringIn(found!.text, book).some(({ item }) => item)).toBe(false);
  });

  test('what runs in an answer is told as an error, and left out of what is written', async () => {
    const { found } = await ask('/running');
    const { item } = bringIn(found!.text, book)[0]!;
    const made = makeEmbed(item!, item!.settings, { book, site: null, facts: {}, form: 'responsive' });
    expect(made.findings.map(({ code, severity }) => [code, severity])).toContainEqual(['runsOwnCode', 'error']);
    expect(made.code.text).not.toContain('steal');
  });

  test('where the page itself may not be asked, it is said why', async () => {
    expect(await ask('', { url: 'http://127.0.0.1:22/' })).toMatchObject({ refused: 'port' });
    expect(await ask('', { url: 'http://10.0.0.1/' })).toMatchObject({ refused: 'privateAddress' });
  });
});
