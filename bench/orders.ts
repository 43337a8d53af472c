import { createServer } from 'node:http';
import { once } from 'node:events';
import type { AddressInfo } from 'node:net';
import { gzipSync } from 'node:zlib';
import type { Page } from 'puppeteer-core';
import { launchBrowser } from '../e2e/browser.ts';
import { goTo, newVisitor, startServer } from '../e2e/driver.ts';
import { makeBook } from '../src/core/known/hosts/book.ts';
import { loadCards } from '../src/core/known/hosts/loadCards.ts';
import { readOrder } from '../src/core/order/formats/list.ts';
import { newOrder, type Cue, type Order } from '../src/core/order/order.ts';
import { pageOf } from '../src/core/order/page/page.ts';
import { readCardFiles, readSites } from '../src/standins/world.ts';
import { fastest } from './fastest.ts';
import { line } from './line.ts';

/** The page that plays running orders: its weight, its first paint, long transcripts, long feeds. */
const EPISODES = 500;
const CUES = 10_000;
const SECONDS = 3 * 60 * 60;
const LOADS = 9;

const [server, browser] = await Promise.all([startServer(), launchBrowser()]);
const book = makeBook(loadCards(readCardFiles(server.address)).cards);
const site = readSites(server.address)[0]!;
const page = (order: Order): string => pageOf(order, { book, site }).html;
const sound = `http://earbrook.localhost:${server.port}/media/millers-diary-1.ogg`;

line('a page without entries, with gzip', { figure: gzipSync(page(newOrder('o'))).length / 1000, most: 12, unit: 'kB' });

/** As feeds come: broken dates, markup in titles, enclosures that are missing or relative. */
const feed = `<rss version="2.0"><channel><title>A diary</title>${Array.from(
  { length: EPISODES },
  (_, i) =>
    `<item><guid>${i}</guid><title><![CDATA[<b>Part ${i}</b> &amp; more]]></title><pubDate>${i % 3 ? 'Sun, 29 Nov 2026 10:00:00 GMT' : 'soon'}</pubDate>` +
    `<description>${'What was said about the tide. '.repeat(20)}</description><link>https://pod.example/${i}</link>` +
    `${i % 5 ? `<enclosure url="/files/${i}.mp3" type="audio/mpeg" length="1"/>` : ''}</item>`,
).join('')}</channel></rss>`;
const [made] = fastest(5, () => {
  const { name, entries } = readOrder(feed, 'https://pod.example/feed.xml')!;
  if (page(newOrder('o', { name, entries })).length < 100_000) throw new Error('the page is not whole');
}) as [number];
line(`a feed of ${EPISODES} entries to its page`, { figure: made, most: 1000, unit: 'ms' });

const words = 'tide sluice wheel stone flour ferry oven pond ebb flood rope bell barley crust harbour miller'.split(' ');
const transcript = Array.from({ length: CUES }, (_, i): Cue => ({
  from: (i * SECONDS) / CUES,
  until: ((i + 1) * SECONDS) / CUES,
  text: Array.from({ length: 8 }, (_none, k) => words[(i * 7 + k * 5 + ((i * k) % 11)) % words.length]).join(' '),
  ...(i % 40 === 0 && { who: i % 80 ? 'A visitor' : 'The miller' }),
}));
const entry = { id: '1', address: sound, title: 'Twelve tides' };
const pages = new Map([
  ['/short', page(newOrder('o', { entries: [entry] }))],
  ['/long', page(newOrder('o', { entries: [{ ...entry, transcript }] }))],
  ['/bare', `<!doctype html><html lang="en"><title>Bare</title><audio controls preload="none" src="${sound}"></audio>`],
]);
const pageServer = createServer(({ url }, response) =>
  response.setHeader('Content-Type', 'text/html; charset=utf-8').end(pages.get(url ?? '')),
).listen(0);
await once(pageServer, 'listening');
const at = (path: string): string => `http://localhost:${(pageServer.address() as AddressInfo).port}${path}`;

/** Milliseconds until something is painted, in a window that has nothing of it yet. */
async function firstPaint(path: string): Promise<number> {
  const { page: window, context } = await newVisitor(browser);
  await goTo(window, at(path));
  const painted = await window.evaluate(
    () =>
      new Promise<number>((done) => {
        new PerformanceObserver((list) => done(list.getEntries()[0]!.startTime)).observe({ type: 'paint', buffered: true });
      }),
  );
  await context.close();
  return painted;
}
const paints: Record<string, number[]> = { '/bare': [], '/short': [] };
for (let i = 0; i < LOADS; i++) for (const path of Object.keys(paints)) paints[path]!.push(await firstPaint(path));
const middle = (path: string): number => paints[path]!.sort((a, b) => a - b)[Math.floor(LOADS / 2)]!;
line('first paint of the page, against one with a bare <audio>', {
  figure: middle('/short') / middle('/bare'),
  most: 1.5,
  unit: '×',
  note: `${middle('/short').toFixed(0)} ms; bare ${middle('/bare').toFixed(0)} ms`,
});

/** Milliseconds of each key of a search, from the key to the shown place. */
const search = (window: Page): Promise<number[]> =>
  window.evaluate(async () => {
    const field = document.querySelector<HTMLInputElement>('input[type=search]')!;
    const times: number[] = [];
    for (const word of ['sluice wheel', 'harbour', 'nothing of the kind', 'ferry oven', 'tide'])
      for (let length = 1; length <= word.length; length++) {
        field.value = word.slice(0, length);
        const from = performance.now();
        field.dispatchEvent(new Event('input'));
        document.body.getBoundingClientRect();
        times.push(performance.now() - from);
        await new Promise((done) => setTimeout(done, 20));
      }
    return times.sort((a, b) => a - b);
  });
const { page: window, context } = await newVisitor(browser);
await goTo(window, at('/long'));
const keys = await search(window);
line(`a key in the search of ${CUES} lines, until the place is shown (95th)`, {
  figure: keys[Math.floor(keys.length * 0.95)]!,
  most: 50,
  unit: 'ms',
});
/** Late frames while the lines are followed, each as fast as a player tells its time. */
// As a text, since what compiles this file gives names to getters by a helper that the page does not have.
const late = (await window.evaluate(`(async (seconds) => {
  document.querySelector('.press').click();
  const audio = document.querySelector('audio');
  const follows = document.querySelector('input[type=checkbox]');
  follows.checked = true;
  let time = 0;
  Object.defineProperty(audio, 'currentTime', { get: () => time, set: () => undefined });
  const frames = [];
  let before = performance.now();
  for (let i = 0; i < 240; i++) {
    // A line a quarter of a second, from somewhere else now and then.
    if (i % 15 === 0) {
      time = (time + (i % 60 === 0 ? seconds / 5 : 1.08)) % seconds;
      audio.dispatchEvent(new Event('timeupdate'));
    }
    const now = await new Promise((done) => requestAnimationFrame(done));
    frames.push(now - before);
    before = now;
  }
  return frames.slice(1).filter((length) => length > 34).length;
})(${SECONDS})`)) as number;
line(`frames dropped while ${CUES} lines are followed for four seconds`, { figure: late, most: 0, unit: '' });
await context.close();
pageServer.close();
await browser.close();
await server.stop();
