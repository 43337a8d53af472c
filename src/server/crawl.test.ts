import type { AddressInfo } from 'node:net';
import { once } from 'node:events';
import { createServer as listen, type Server } from 'node:http';
import { request } from 'undici';
import { afterAll, beforeAll, describe, expect, test } from 'vitest';
import { linksIn, sitemapIn } from '../core/many/sweep/siteLinks.ts';
import { PAGES } from '../standins/tidemill/pages.ts';
import type { CrawlTold } from '../core/many/sweep/crawled.ts';
import { crawl } from './crawl.ts';
import { Refused, type Fetched } from './guard.ts';
import { quietServer } from './testing.ts';

describe('the sample site, with its traps', () => {
  let server: Server;
  let port = 0;
  let told: CrawlTold[] = [];
  beforeAll(async () => {
    const probe = listen().listen(0);
    await once(probe, 'listening');
    port = (probe.address() as AddressInfo).port;
    probe.close();
    server = quietServer({ PORT: String(port) }).listen(port);
    const body = JSON.stringify({ url: `http://tidemill.localhost:${port}/` });
    const ask = () =>
      fetch(`http://localhost:${port}/api/crawl`, { method: 'POST', body, headers: { 'Content-Type': 'application/json' } });
    // Two at once: the site is still asked for one thing at a time.
    const [answer] = await Promise.all([ask(), ask().then((other) => other.text())]);
    told = (await answer.text())
      .trim()
      .split('\n')
      .map((line) => JSON.parse(line) as CrawlTold);
  }, 150_000);
  afterAll(() => server.close());

  const left = (why: string): string[] =>
    told.flatMap((one) => (one.kind === 'left' && one.why === why ? [new URL(one.address).pathname] : []));

  test('every page is read, from sitemaps, packed ones among them, and from links', () => {
    const pages = told.flatMap((one) => (one.kind === 'page' ? [new URL(one.address).pathname] : []));
    const news = pages.filter((path) => path.startsWith('/news/'));
    expect(news.length).toBe(PAGES);
    expect(new Set(pages).size).toBe(pages.length);
    expect(told.at(-1)).toEqual({ kind: 'end', why: 'done' });
  });

  test('the traps are seen: what robots.txt forbids, a ring, a calendar without end, a page without end', async () => {
    expect(left('robots')).toEqual(['/private/ledger']);
    expect(left('redirects')).toEqual(['/ring/a']);
    expect(left('tooLarge')).toEqual(['/large']);
    expect(left('endless').length).toBe(1);
    const { paths, together, unchanged } = await askedOf(port);
    expect(paths).not.toContain('/private/ledger');
    expect(paths.filter((path) => path.startsWith('/calendar/')).length).toBeLessThan(100);
    expect(together).toBe(1);
    // Whoever came second was told so of nearly every page.
    expect(unchanged).toBeGreaterThan(PAGES / 2);
  });
});

interface Asked {
  paths: string[];
  together: number;
  unchanged: number;
}

/** What the site says of those who asked it; by its name, which Node does not look up. */
async function askedOf(port: number): Promise<Asked> {
  const { body } = await request(`http://127.0.0.1:${port}/asked`, { headers: { host: `tidemill.localhost:${port}` } });
  return (await body.json()) as Asked;
}

/** What there is of a site that cannot be asked. */
const NO_ANSWER = (): Promise<Fetched> => Promise.reject(new Refused('noAnswer'));

test('where robots.txt cannot be had nothing is asked', async () => {
  const told: CrawlTold[] = [];
  const signal = new AbortController().signal;
  for await (const one of crawl('https://tidemill.example/', NO_ANSWER, { most: 5, signal })) told.push(one);
  expect(told).toEqual([
    { kind: 'left', address: 'https://tidemill.example/', why: 'robots' },
    { kind: 'end', why: 'done' },
  ]);
});

test('links of the same site are followed, and of those only pages', () => {
  const page = `<a href="/a?x=1&amp;y=2#z">A</a> <a href='b'>B</a> <A HREF=c>C</A> <a href="https://other.example/">O</a>
    <a href="/p.pdf">P</a> <a href="mailto:x@tidemill.example">M</a> <a rel="nofollow" href="/no">N</a> <a href="javascript:1">J</a>`;
  expect(linksIn(page, 'https://tidemill.example/news/')).toEqual([
    'https://tidemill.example/a?x=1&y=2',
    'https://tidemill.example/news/b',
    'https://tidemill.example/news/c',
  ]);
});

test('sitemaps are read as XML and as text', () => {
  expect(sitemapIn('<urlset><url><loc>https://a.example/?a=1&amp;b=2</loc><lastmod>x</lastmod></url></urlset>')).toEqual({
    pages: ['https://a.example/?a=1&b=2'],
    maps: [],
  });
  expect(sitemapIn('https://a.example/1\r\nhttps://a.example/2\nno address')).toEqual({
    pages: ['https://a.example/1', 'https://a.example/2'],
    maps: [],
  });
});
