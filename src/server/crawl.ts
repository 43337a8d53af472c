import type { RequestHandler } from 'express';
import robotsParser from 'robots-parser';
import { setTimeout as wait } from 'node:timers/promises';
import { gunzipSync } from 'node:zlib';
import { z } from 'zod';
import type { CrawlTold } from '../core/many/sweep/crawled.ts';
import { decodeFile } from '../core/many/sweep/encoding.ts';
import { linksIn, pageOf, shapeOf, sitemapIn } from '../core/many/sweep/siteLinks.ts';
import { Refused, type Fetched, type Guard, type Limits } from './guard.ts';
import type { PagesKept } from './pagesKept.ts';
import { sendProblem } from './problems.ts';
import type { InTurn } from './together/turns.ts';

/** Reading the pages of a site as a polite visitor: one request at a time, with a pause, and only what its robots.txt allows. */
const asked = z.strictObject({
  url: z.url({ protocol: /^https?$/ }).max(4000),
  /** Pages at most. */
  most: z.number().int().min(1).max(5000).default(1000),
});

const PAGE: Limits = { types: ['text/html', 'application/xhtml+xml'], size: 3_000_000, time: 15_000 };
const MAP: Limits = {
  types: ['application/xml', 'text/xml', 'text/plain', 'application/gzip', 'application/x-gzip', 'application/octet-stream'],
  size: 20_000_000,
  time: 15_000,
};
const ROBOTS: Limits = { types: ['text/plain', 'text/html'], size: 500_000, time: 8000 };

const AGENT = 'Refenestra';
const MOST_MAPS = 50;
/** Milliseconds: for all of it, and between two requests where the site asks for none. */
const WHOLE = 20 * 60_000;
const PAUSE = 50;
/** Seconds that are waited at most where a site asks for it. */
const LONGEST_WAIT = 20;
/** Pages that no sitemap names, differ by numbers alone and hold nothing: so many, and there is no end to them. */
const ENDLESS = 40;

/** `POST /api/crawl`: the pages of a site, one JSON text a line, as they come. */
export function crawlRoute(guard: Guard, pages: PagesKept, inTurn: InTurn): RequestHandler {
  return async (incoming, response) => {
    const body = asked.safeParse(incoming.body);
    if (!body.success) return sendProblem(response, 400, { code: 'badRequest', detail: 'Send { "url": "https://…" }.' });
    const gone = new AbortController();
    response.on('close', () => gone.abort());
    response.type('application/x-ndjson').set('Cache-Control', 'no-store');
    const { host } = new URL(body.data.url);
    const ask: Ask = (address, limits) => inTurn(host, () => pages.ask(address, guard, limits));
    for await (const told of crawl(body.data.url, ask, { most: body.data.most, signal: gone.signal })) {
      if (gone.signal.aborted) return;
      response.write(`${JSON.stringify(told)}\n`);
      (response as { flush?: () => void }).flush?.();
    }
    response.end();
  };
}

/** Asks one address. */
type Ask = (address: string, limits: Limits) => Promise<Fetched>;

interface Crawling {
  most: number;
  signal: AbortSignal;
}

/** The pages of a site: what its sitemaps name, and what its pages link to. */
export async function* crawl(start: string, ask: Ask, { most, signal }: Crawling): AsyncGenerator<CrawlTold, void> {
  const began = Date.now();
  const base = new URL(start);
  const robots = await robotsOf(base, ask);
  const pause = Math.max(PAUSE, Math.min(robots.getCrawlDelay(AGENT) ?? 0, LONGEST_WAIT) * 1000);
  const named = new Set([new URL(start).href, ...(await pagesOfMaps(base, robots, ask))]);
  const empty = new Map<string, number>();
  const known = new Set(named);
  const waiting = [...known];
  let pages = 0;
  for (let i = 0; i < waiting.length && !signal.aborted; i++) {
    if (pages >= most || Date.now() - began > WHOLE) {
      yield { kind: 'end', why: pages >= most ? 'most' : 'time' };
      return;
    }
    const address = waiting[i]!;
    const shape = shapeOf(address);
    if (robots.isDisallowed(address, AGENT)) yield { kind: 'left', address, why: 'robots' };
    else if (!named.has(address) && (empty.get(shape) ?? 0) >= ENDLESS) yield { kind: 'left', address, why: 'endless' };
    else {
      const told = await pageAt(address, base, ask);
      yield told;
      if (told.kind === 'page') {
        pages++;
        empty.set(shape, HOLDS_SOMETHING.test(told.text) ? 0 : (empty.get(shape) ?? 0) + 1);
        const found = linksIn(told.text, address).filter((link) => !known.has(link));
        found.forEach((link) => known.add(link));
        for (const link of found) waiting.push(link);
      }
      yield { kind: 'waiting', count: waiting.length - i - 1 };
      await wait(pause, undefined, { signal }).catch(() => undefined);
    }
  }
  yield { kind: 'end', why: 'done' };
}

const HOLDS_SOMETHING = /<(?:iframe|object|embed|video|audio|blockquote)\b/i;

async function pageAt(address: string, base: URL, ask: Ask): Promise<Extract<CrawlTold, { kind: 'page' | 'left' }>> {
  try {
    const { status, url, body } = await patiently(address, PAGE, ask);
    if (url.host !== base.host) return { kind: 'left', address, why: 'elsewhere' };
    return status === 200 ? { kind: 'page', address, text: decodeFile(body).text } : { kind: 'left', address, why: 'status' };
  } catch (error) {
    return { kind: 'left', address, why: error instanceof Refused ? error.code : 'noAnswer' };
  }
}

/** Asks again after the time that a site asks for (RFC 9110, section 10.2.3), once. */
async function patiently(address: string, limits: Limits, ask: Ask): Promise<Fetched> {
  const answer = await ask(address, limits);
  if (answer.status !== 429 && answer.status !== 503) return answer;
  const seconds = Number(answer.headers['retry-after'] ?? 2);
  await wait(Math.min(Number.isNaN(seconds) ? 2 : seconds, LONGEST_WAIT) * 1000);
  return ask(address, limits);
}

/** What a site asks of programs that read it (RFC 9309). */
interface Robots {
  isDisallowed: (address: string, agent: string) => boolean | undefined;
  getCrawlDelay: (agent: string) => number | undefined;
  getSitemaps: () => string[];
}

/** RFC 9309, section 2.3.1: what is not there allows everything, what cannot be had forbids it. */
async function robotsOf(base: URL, ask: Ask): Promise<Robots> {
  const at = new URL('/robots.txt', base).href;
  try {
    const { status, body } = await patiently(at, ROBOTS, ask);
    return rulesOf(at, status === 200 ? body.toString() : status >= 500 ? NOTHING_ALLOWED : '');
  } catch (error) {
    return rulesOf(at, error instanceof Refused && error.code === 'wrongType' ? '' : NOTHING_ALLOWED);
  }
}
const rulesOf = (at: string, text: string): Robots => (robotsParser as unknown as (at: string, text: string) => Robots)(at, text);
const NOTHING_ALLOWED = 'User-agent: *\nDisallow: /\n';

async function pagesOfMaps(base: URL, robots: Robots, ask: Ask): Promise<string[]> {
  const named = robots.getSitemaps();
  const maps = named.length > 0 ? [...named] : [new URL('/sitemap.xml', base).href];
  const pages: string[] = [];
  for (let i = 0; i < Math.min(maps.length, MOST_MAPS); i++) {
    if (!URL.canParse(maps[i]!) || new URL(maps[i]!).host !== base.host) continue;
    const found = sitemapIn(await mapAt(maps[i]!, ask));
    for (const map of found.maps.slice(0, MOST_MAPS)) if (!maps.includes(map)) maps.push(map);
    for (const page of found.pages) {
      const own = pageOf(page, base);
      if (own) pages.push(own);
    }
  }
  return pages;
}

async function mapAt(address: string, ask: Ask): Promise<string> {
  try {
    const { status, body } = await patiently(address, MAP, ask);
    if (status !== 200) return '';
    return (body[0] === 0x1f && body[1] === 0x8b ? gunzipSync(body, { maxOutputLength: MAP.size }) : body).toString();
  } catch {
    return '';
  }
}
