import { once } from 'node:events';
import { createServer, type Server } from 'node:http';
import type { AddressInfo } from 'node:net';
import { afterAll, beforeAll, expect, test } from 'vitest';
import { PagesKept } from './pagesKept.ts';

let server: Server;
let origin = '';
let text = 'ebb';
let status: number[] = [];

/** A page that says how old it is, one that may not be kept, and one that lies elsewhere. */
beforeAll(async () => {
  server = createServer(({ url, headers }, response) => {
    const tag = `"${text}"`;
    const same = headers['if-none-match'] === tag;
    const moved = url === '/moved';
    response.writeHead(moved ? 302 : same ? 304 : 200, {
      'Content-Type': 'text/html',
      ETag: tag,
      ...(url === '/secret' && { 'Cache-Control': 'no-store' }),
      ...(moved && { Location: '/page' }),
    });
    status.push(response.statusCode);
    response.end(same || moved ? undefined : text);
  }).listen(0);
  await once(server, 'listening');
  origin = `http://127.0.0.1:${(server.address() as AddressInfo).port}`;
});
afterAll(() => server.close());

const limits = { types: ['text/html'], size: 1000, time: 5000 };
async function askedFor(path: string): Promise<{ texts: string[]; status: number[] }> {
  const pages = new PagesKept();
  text = 'ebb';
  status = [];
  const texts: string[] = [];
  for (const now of ['ebb', 'ebb', 'flood', 'flood']) {
    text = now;
    texts.push((await pages.ask(origin + path, { origins: new Set([origin]) }, limits)).body.toString());
  }
  return { texts, status };
}

test('a page comes again only where it has changed', async () =>
  expect(await askedFor('/page')).toEqual({ texts: ['ebb', 'ebb', 'flood', 'flood'], status: [200, 304, 200, 304] }));

test('what may not be kept, or lies elsewhere, is asked for anew', async () => {
  expect((await askedFor('/secret')).status).toEqual([200, 200, 200, 200]);
  expect((await askedFor('/moved')).texts).toEqual(['ebb', 'ebb', 'flood', 'flood']);
});
