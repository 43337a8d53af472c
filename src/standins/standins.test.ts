import request from 'supertest';
import { describe, expect, test } from 'vitest';
import { makeBook } from '../core/known/hosts/book.ts';
import { loadCards } from '../core/known/hosts/loadCards.ts';
import { bringIn } from '../core/pipeline.ts';
import { quietServer } from '../server/testing.ts';
import { readCardFiles, readItems } from './world.ts';

/** The stand-ins answer as their cards say, for every item and every link. */
const PORT = 4600;
const server = quietServer({ PORT: String(PORT) });
const { cards } = loadCards(readCardFiles(`http://localhost:${PORT}`));
const book = makeBook(cards);
const items = readItems(`http://localhost:${PORT}`);

const get = (address: string): request.Test => {
  const { host, pathname, search } = new URL(address);
  return request(server)
    .get(pathname + search)
    .set('Host', host);
};

describe.each(cards.map((card) => [card.id, card] as const))('%s', (id, card) => {
  const own = items.filter((item) => item.host === id);

  test('plays each of its items at the frame address that the card works out', async () => {
    for (const item of own)
      for (const link of item.links) {
        const found = bringIn(link, book)[0]!.item;
        if (!found?.frame) continue;
        const { status, text } = await get(found.frame);
        const shut = item.notBefore ? 503 : item.closes ? 410 : item.released ? 200 : 403;
        expect(status, `${link} at ${found.frame}`).toBe(shut);
        if (shut === 200) expect(text, link).toMatch(/<script type="(?:application\/json|module)"/);
      }
  });

  test('answers oEmbed for each of them, in JSON and in XML, with code that leads to the same item', async () => {
    const endpoint = card.oembed!.endpoint.split('{')[0]!;
    for (const item of own) {
      const found = item.links.map((link) => bringIn(link, book)[0]!.item).find((one) => one !== undefined)!;
      const question = `${endpoint}?url=${encodeURIComponent(found.canonical)}`;
      const { status, body } = (await get(question)) as { status: number; body: { title: string; html: string } };
      expect([status, body.title], item.id).toEqual([200, item.title]);
      const xml = await get(`${question}&format=xml`);
      expect(xml.headers['content-type']).toContain('xml');
      expect(xml.text).toContain('<title>');
      // Chats and albums give no code that stands by itself.
      const again = body.html === '' || item.kind === 'chat' || id === 'airwherry' ? null : bringIn(body.html, book)[0]!.item;
      if (again) expect([again.host, again.id], item.id).toEqual([found.host, found.id]);
    }
    expect((await get(`${endpoint}?url=http%3A%2F%2Fnobody.example%2F`)).status).toBe(404);
  });

  test('lets no share page stand in a frame', async () => {
    for (const item of own.slice(0, 3)) {
      const link = item.links[0]!;
      const { headers } = await get(link);
      expect(`${String(headers['x-frame-options'])} ${String(headers['content-security-policy'])}`).toMatch(
        /DENY|frame-ancestors 'none'/,
      );
    }
  });
});

test('the feed of a show has the episodes that are out, and no other', async () => {
  const { text, headers } = await get(`http://earbrook.localhost:${PORT}/show/millers-diary/feed.xml`);
  expect(headers['content-type']).toContain('rss');
  expect(text.match(/<item>/g)).toHaveLength(11);
  expect(text).not.toContain('Twelve tides');
});

test('the transcript of a recording is WebVTT over all of its length', async () => {
  const { text } = await get(`http://spoolnote.localhost:${PORT}/r/tsd401.vtt`);
  expect(text.startsWith('WEBVTT\n\n00:00:00.000 --> 00:00:12.000')).toBe(true);
  expect(text.trim().split('\n\n')).toHaveLength(9);
  expect(text).toContain('--> 00:01:36.000');
});
