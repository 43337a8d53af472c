import { gzipSync } from 'node:zlib';
import { JSDOM } from 'jsdom';
import { describe, expect, test } from 'vitest';
import { playerScript } from '../../../../scripts/playerScript.ts';
import { loadCards } from '../../known/hosts/loadCards.ts';
import { makeBook } from '../../known/hosts/book.ts';
import { readCardFiles, readSites, WRITTEN_ORIGIN } from '../../../standins/world.ts';
import { newOrder, withNews, type Order } from '../order.ts';
import { fromText } from '../fromText.ts';
import { pageOf } from './page.ts';
import { createHash } from 'node:crypto';
import { SCRIPT, SCRIPT_HASH } from './script.ts';
import { styleOf } from './style.ts';

const book = makeBook(loadCards(readCardFiles(WRITTEN_ORIGIN)).cards);
const site = readSites(WRITTEN_ORIGIN)[0]!;
const FILM = 'http://lanternreel.localhost:4600/see/k7wq2m9d';
const NASTY = '</script><img src=x onerror=alert(1)>"\'&\u2028';
const order: Order = newOrder('o', {
  name: NASTY,
  words: NASTY,
  links: [{ words: 'Feed', address: 'https://pod.example/feed.xml' }],
  entries: [
    { id: '1', address: FILM, title: NASTY, from: 10, until: 20, transcript: [{ from: 0, until: 2, text: NASTY, who: NASTY }] },
    { id: '2', address: 'https://media.example/a.mp3', title: 'Sound', seconds: 72, chapters: [{ at: 5, title: NASTY }] },
    { id: '3', address: 'https://elsewhere.example/page', title: '' },
  ],
});
const pageIn = (one: Order) => new JSDOM(pageOf(one, { book, site }).html).window.document;

test('the script is that of its source, and page without entries is light', async () => {
  expect(SCRIPT).toBe(await playerScript());
  expect(SCRIPT_HASH).toBe(`sha256-${createHash('sha256').update(SCRIPT).digest('base64')}`);
  const bare = pageOf(newOrder('o'), { book, site }).html;
  expect(gzipSync(bare).length).toBeLessThan(12_000);
  expect(styleOf(site.light as never, site.dark as never, 'serif')).not.toContain('<');
});

describe('the page', () => {
  test('reads without its script as links, media elements, chapters and the transcript', () => {
    const page = pageIn(order);
    expect([...page.querySelectorAll('ol > li > a')].map((link) => link.getAttribute('href'))).toEqual(
      order.entries.map(({ address }) => address),
    );
    expect(page.querySelector('ol audio')!.getAttribute('preload')).toBe('none');
    expect(page.querySelector('.said a')!.textContent).toBe(NASTY);
    expect(page.querySelector('ol ul a')!.textContent).toContain('0:05');
  });

  test('holds nothing of what was brought in as markup, and nothing that loads before a press', () => {
    const page = pageIn(order);
    expect(page.querySelectorAll('script').length).toBe(2);
    expect(page.querySelectorAll('img, iframe, link, [onerror]').length).toBe(0);
    expect(JSON.parse(page.querySelector('#order')!.textContent)).toMatchObject({
      entries: [{ title: NASTY }, {}, { title: 'https://elsewhere.example/page' }],
    });
  });

  test('plays items of hosts from their start, and says what cannot be done', () => {
    const { html, played } = pageOf(order, { book, site });
    const { entries } = JSON.parse(new JSDOM(html).window.document.querySelector('#order')!.textContent) as {
      entries: { plays: { src: string } }[];
    };
    expect(entries[0]!.plays).toMatchObject({
      by: 'frame',
      src: 'http://frames.lanternreel.localhost:4600/f/k7wq2m9d?auto=1&from=10&until=20',
      reports: { event: 'reel' },
    });
    expect(entries[1]!.plays).toEqual({ by: 'audio', src: 'https://media.example/a.mp3' });
    expect(played.map(({ notes }) => notes)).toEqual([[], [], ['notPlayable']]);
  });

  test('plays a file that its feed names, a file at a host that the book knows, and a stream as far as browsers can', () => {
    const entries = [
      { id: '1', address: 'https://pod.example/f?id=1', media: 'audio' as const },
      { id: '2', address: 'http://earbrook.localhost:4600/media/millers-diary-1.ogg' },
      { id: '3', address: 'https://media.example/live/master.m3u8?k=1' },
    ];
    const { played } = pageOf(newOrder('o', { entries }), { book, site });
    expect(played.map(({ plays }) => plays)).toEqual([
      { by: 'audio', src: entries[0]!.address },
      { by: 'audio', src: entries[1]!.address },
      { by: 'video', src: entries[2]!.address, stream: true },
    ]);
    expect(played.map(({ notes }) => notes)).toEqual([[], [], ['streamNotEverywhere']]);
    const streamScript = 'https://site.example/stream-player.js';
    const withScript = pageOf(newOrder('o', { entries, streamScript }), { book, site });
    expect(withScript.played.map(({ notes }) => notes)).toEqual([[], [], []]);
    expect(withScript.html).toContain(JSON.stringify(streamScript));
  });

  test('comes of a text with links: items with their clips, files and streams', () => {
    const [stream, file] = ['https://media.example/live/master.m3u8', 'https://media.example/talk.mp3'];
    const text = `http://lanternreel.localhost:4600/see/k7wq2m9d?at=12s\n${stream}\n${file}`;
    expect(fromText(text, book)).toEqual([
      { address: 'http://lanternreel.localhost:4600/see/k7wq2m9d', from: 12 },
      { address: stream },
      { address: file },
    ]);
  });

  test('of a running order that begins by itself knows each frame without sound too', () => {
    const silentOf = (one: Order) =>
      (
        JSON.parse(pageIn(one).querySelector('#order')!.textContent) as { autoplay: boolean; entries: { silent?: string }[] }
      ).entries.map(({ silent }) => silent);
    expect(silentOf(order)).toEqual([undefined, undefined, undefined]);
    expect(silentOf({ ...order, autoplay: true })[0]).toMatch(/[?&]hush=1(?:&|$)/);
    expect(silentOf({ ...order, autoplay: true }).slice(1)).toEqual([undefined, undefined]);
  });

  test('has no dark colours where the site has none', () => {
    expect(pageOf(order, { book, site: { ...site, followsTheme: true } }).html).toContain('prefers-color-scheme:dark');
    expect(pageOf(order, { book, site: { ...site, followsTheme: false } }).html).not.toContain('prefers-color-scheme:dark');
  });

  test('is in the language of the site', () => {
    const german = pageOf(order, { book, site: { ...site, language: 'de-AT' } }).html;
    expect(german).toContain('"play":"Abspielen"');
    expect(pageOf(order, { book, site: { ...site, language: 'ar' } }).html).toContain('dir="rtl"');
    const dated = newOrder('o', { entries: [{ ...order.entries[1]!, day: '2026-11-29' }] });
    expect(pageOf(dated, { book, site: { ...site, language: 'de' } }).html).toContain('<small>29.11.2026 · 1:12</small>');
  });
});

test('what is new in a feed comes in once, and what was taken out stays out', () => {
  const entry = (id: string): Order['entries'][number] => ({ ...order.entries[1]!, id });
  const found = (...ids: string[]) => ({ name: '', words: '', links: [], left: [], entries: ids.map(entry) });
  const first = newOrder('o', { entries: [entry('b')], seen: ['a', 'b'] });
  const { order: after, added } = withNews(first, found('d', 'c', 'b', 'a'));
  expect(added.map(({ id }) => id)).toEqual(['d', 'c']);
  expect(after.entries.map(({ id }) => id)).toEqual(['d', 'c', 'b']);
  expect(withNews(after, found('d', 'c', 'b', 'a')).added).toEqual([]);
  // Of two that are new, one was wanted; the other was seen, and does not come the next time.
  const one = withNews(first, found('d', 'c', 'b'), 1);
  expect(withNews(one.order, found('d', 'c', 'b')).added).toEqual([]);
});
