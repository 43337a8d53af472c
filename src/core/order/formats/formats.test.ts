import { XMLParser, XMLValidator } from 'fast-xml-parser';
import fc from 'fast-check';
import { parseFeed } from 'feedsmith';
import { M3U8Parser, type PlaylistLevelType } from 'hls.js';
import Papa from 'papaparse';
import { describe, expect, test } from 'vitest';
import { runs } from '../../../laws/world.ts';
import { newOrder, type Entry, type Order } from '../order.ts';
import { FORMATS, readOrder } from './list.ts';

const words = fc.oneof(
  fc.constantFrom('A & B', '<b>x</b>', 'Ünï “q”', ']]>', '&amp;', "=cmd|'x'", '', '-1', 'Ends with \\', "'+", "''=1"),
  fc.string({ maxLength: 30, unit: 'grapheme' }),
);
// What feeds say in markup, readers see as words; that is no loss of theirs.
const plain = words.map((text) =>
  text
    .replace(/[<>&]/g, '')
    .replace(/[\p{C}\s]+/gu, ' ')
    .trim(),
);
const address = fc
  .tuple(
    fc.constantFrom('https://media.example/a', 'http://x.example:81/s/1', 'https://cdn.example/f'),
    fc.nat(999),
    fc.constantFrom('.mp3', '.mp4', '', '?a=1&b=%20'),
  )
  .map(([base, n, end]) => `${base}${n}${end}`);
const entry: fc.Arbitrary<Entry> = fc
  .record({
    address,
    title: plain,
    words: plain,
    author: plain,
    day: fc.constantFrom('', '2026-11-29', '2000-02-29'),
    seconds: fc.option(fc.integer({ min: 1, max: 90_000 }), { nil: undefined }),
    chapters: fc
      .uniqueArray(fc.record({ at: fc.nat(5000), title: plain.filter((text) => text !== '') }), {
        selector: ({ at }) => at,
        maxLength: 4,
      })
      .map((all) => all.sort((a, b) => a.at - b.at)),
    transcriptAt: fc.constantFrom(undefined, 'https://pod.example/t.vtt', 'https://pod.example/t.srt?a=1&b'),
    chaptersAt: fc.constantFrom(undefined, 'https://pod.example/c.json'),
  })
  .map((one) => ({ ...one, id: one.address, transcript: [] }));
const order: fc.Arbitrary<Order> = fc
  .tuple(
    plain,
    fc.uniqueArray(entry, { selector: ({ address: at }) => at, maxLength: 8 }),
    fc.constantFrom(undefined, 'https://pod.example/c.png?a=1&b'),
  )
  .map(([name, entries, coverAt]) => newOrder('o', { name, entries, ...(coverAt !== undefined && { coverAt }) }));

/** What each format can carry. */
const CARRIES: Record<string, (keyof Entry)[]> = {
  rss: ['title', 'words', 'day', 'seconds', 'chapters', 'transcriptAt', 'chaptersAt'],
  atom: ['title', 'words'],
  'json-feed': ['title', 'words', 'day'],
  xspf: ['title', 'words', 'author', 'seconds'],
  m3u: ['title', 'seconds'],
  csv: ['title', 'words', 'author', 'day', 'seconds'],
};

describe.each(FORMATS.map((format) => [format.id, format] as const))('%s', (id, { write }) => {
  test('keeps what it can carry, whatever it is, and is told for what it is', () => {
    fc.assert(
      fc.property(order, (one) => {
        const text = write(one);
        if (['rss', 'atom', 'xspf'].includes(id)) expect(XMLValidator.validate(text)).toBe(true);
        const back = readOrder(text, 'https://site.example/list');
        if (one.entries.length === 0 && back === null) return;
        expect(back?.format).toBe(id);
        expect(back!.entries.map((found) => found.address)).toEqual(one.entries.map((given) => given.address));
        if (!['m3u', 'csv'].includes(id)) expect(back!.coverAt).toBe(one.coverAt);
        for (const key of CARRIES[id]!)
          expect(
            back!.entries.map((found) => found[key]),
            key,
          ).toEqual(one.entries.map((given) => given[key]));
      }),
      runs(150),
    );
  });
});

/** Title and address of each entry. */
type Row = readonly [title: string | undefined, address: string | undefined];

interface ReadFeed {
  items?: readonly {
    title?: string;
    link?: string;
    url?: string;
    enclosures?: { url: string }[];
    attachments?: { url: string }[];
  }[];
  entries?: readonly { title?: { value?: string }; links?: readonly { href: string; rel?: string }[] }[];
}
const feed = (text: string): ReadFeed => parseFeed(text).feed as ReadFeed;

/** How others read each format: by libraries alone, without anything of ours. */
const OTHERS: Record<string, (text: string) => readonly Row[]> = {
  rss: (text) => (feed(text).items ?? []).map((one) => [one.title, one.enclosures?.[0]?.url ?? one.link]),
  atom: (text) =>
    (feed(text).entries ?? []).map((one) => [
      one.title?.value,
      (one.links?.find(({ rel }) => rel === 'enclosure') ?? one.links?.[0])?.href,
    ]),
  'json-feed': (text) => (feed(text).items ?? []).map((one) => [one.title, one.attachments?.[0]?.url ?? one.url]),
  xspf: (text) => {
    const parser = new XMLParser({ parseTagValue: false, isArray: (name) => name === 'track' });
    const { playlist } = parser.parse(text) as {
      playlist: { trackList: { track?: { title?: string; location: string }[] } | '' };
    };
    return (playlist.trackList === '' ? [] : (playlist.trackList.track ?? [])).map(({ title, location }) => [title, location]);
  },
  m3u: (text) => {
    const { fragments } = M3U8Parser.parseLevelPlaylist(
      text,
      'https://site.example/list',
      0,
      'main' as PlaylistLevelType,
      0,
      null,
    );
    return fragments.map((one) => [one.title ?? '', one.url]);
  },
  csv: (text) =>
    Papa.parse<{ title: string; address: string }>(text, { header: true, skipEmptyLines: true }).data.map(
      ({ title, address: at }) => [
        // A table program takes no formula: such a text has an apostrophe before it.
        title.replace(/^'(?='*[=+\-@\t\r])/, ''),
        at,
      ],
    ),
};

test.each(Object.entries(OTHERS))('%s is read by libraries of others as it was written', (id, read) => {
  const { write } = FORMATS.find((one) => one.id === id)!;
  fc.assert(
    fc.property(order, (given) => {
      fc.pre(given.entries.length > 0);
      // Playlists say -1 where nobody knows a length, which a reader of streams does not take (RFC 8216, section 4.3.2.1).
      const one =
        id === 'm3u' ? { ...given, entries: given.entries.map((each) => ({ ...each, seconds: each.seconds ?? 1 })) } : given;
      expect(read(write(one)).map(([title, at]) => [title ?? '', at])).toEqual(
        one.entries.map(({ title, address: at }) => [title, at]),
      );
    }),
    runs(100),
  );
});

describe('what comes in', () => {
  const item = (inner: string): string => `<rss version="2.0"><channel><title>F</title>${inner}</channel></rss>`;
  const read = (inner: string, base = 'https://pod.example/feed.xml') => readOrder(item(inner), base)!;

  test('addresses are made whole, and what has none is left out and counted', () => {
    const found = read(
      '<item><title>A</title><enclosure url="/a.mp3" type="audio/mpeg" length="1"/></item><item><title>No address</title></item><item><title>C</title><link>https://pod.example/c</link></item><item><title>D</title><link>javascript:alert(1)</link></item>',
    );
    expect(found.entries.map((one) => one.address)).toEqual(['https://pod.example/a.mp3', 'https://pod.example/c']);
    expect(found.left).toEqual([1, 3]);
  });

  test('markup becomes words, broken dates none, and nothing runs', () => {
    const [one] = read(
      '<item><title><![CDATA[<b onclick="x()">Bold</b><script>y()</script>]]></title><description>&lt;img src=x onerror=z()&gt;Said &amp;amp; done</description><pubDate>yesterday-ish</pubDate><link>https://a.example/1</link></item>',
    ).entries;
    expect(one).toMatchObject({ title: 'Bold', words: 'Said & done', day: '' });
  });

  test('of several transcripts one that is read is named, whole, and chapters within the feed come with it', () => {
    const [one] = readOrder(
      `<rss version="2.0" xmlns:podcast="https://podcastindex.org/namespace/1.0" xmlns:psc="http://podlove.org/simple-chapters"><channel><title>F</title>
      <item><title>A</title><link>https://pod.example/a</link>
      <podcast:transcript url="/a.html" type="text/html"/><podcast:transcript url="/a.srt" type="application/x-subrip"/><podcast:transcript url="/a.vtt" type="text/vtt"/>
      <podcast:chapters url="c.json" type="application/json+chapters"/>
      <psc:chapters version="1.2"><psc:chapter start="00:01:02.5" title="&lt;b&gt;Two&lt;/b&gt;"/><psc:chapter start="0" title="One"/><psc:chapter start="later" title="None"/></psc:chapters></item></channel></rss>`,
      'https://pod.example/show/feed.xml',
    )!.entries;
    expect(one).toMatchObject({
      transcriptAt: 'https://pod.example/a.vtt',
      chaptersAt: 'https://pod.example/show/c.json',
      chapters: [
        { at: 0, title: 'One' },
        { at: 62.5, title: 'Two' },
      ],
    });
  });

  test('a file whose name says nothing is what its feed says that it is, also after it was written', () => {
    const found = read(
      '<item><title>A</title><enclosure url="https://pod.example/f?id=1" type="audio/mpeg" length="1"/></item><item><title>B</title><enclosure url="https://pod.example/f?id=2" type="video/mp4" length="1"/></item><item><title>C</title><enclosure url="https://pod.example/f?id=3" type="application/pdf" length="1"/></item>',
    );
    expect(found.entries.map(({ media }) => media)).toEqual(['audio', 'video', undefined]);
    const written = FORMATS[0]!.write(newOrder('o', { name: 'F', entries: found.entries.slice(0, 2) }));
    expect(readOrder(written)!.entries.map(({ media }) => media)).toEqual(['audio', 'video']);
  });

  test('thousands of entries come in, those without an address left out and counted', () => {
    const each = <Made>(make: (i: number) => Made): Made[] => Array.from({ length: 5000 }, (_, i) => make(i));
    const feed = each(
      (i) =>
        `<item><title>&lt;b&gt;${i}&lt;/b&gt;&lt;script&gt;x()&lt;/script&gt;</title>${i % 3 === 0 ? '' : '<pubDate>later</pubDate>'}` +
        `${i % 10 === 0 ? '' : `<enclosure url="/${i}.mp3" type="audio/mpeg" length=""/>`}</item>`,
    );
    const found = read(feed.join('\n'));
    expect([found.entries.length, found.left.length]).toEqual([4500, 500]);
    expect(found.entries.at(-1)).toMatchObject({ address: 'https://pod.example/4999.mp3', title: '4999', day: '' });
    const tracks = each((i) => `<track><location>https://a.example/${i}</location></track>`).join('');
    const list = `<playlist version="1" xmlns="http://xspf.org/ns/0/"><trackList>${tracks}</trackList></playlist>`;
    expect(readOrder(list)!.entries.map(({ address: at }) => at)).toEqual(each((i) => `https://a.example/${i}`));
  });

  test('two entries of one id stay two', () => {
    const found = read(
      '<item><guid>1</guid><link>https://a.example/1</link></item><item><guid>1</guid><link>https://a.example/2</link></item>',
    );
    expect(new Set(found.entries.map(({ id }) => id)).size).toBe(2);
  });

  test.each([
    ['a feed cut off', '<rss version="2.0"><channel><title>F</title><item><title>A</title><link>https://a.example'],
    [
      'an entity that grows',
      '<!DOCTYPE r [<!ENTITY a "aaaaaaaaaa"><!ENTITY b "&a;&a;&a;&a;">]><rss version="2.0"><channel><title>&b;</title></channel></rss>',
    ],
    ['a manifest of a stream', '#EXTM3U\n#EXT-X-TARGETDURATION:6\n#EXTINF:6,\na.ts'],
    ['a page', '<!doctype html><p>Not found</p>'],
    ['nothing', ''],
    ['another JSON', '{"version":"1","chapters":[]}'],
  ])('%s hangs nothing and brings nothing in', (_, text) => {
    expect(readOrder(text, 'https://x.example/')?.entries ?? []).toEqual([]);
  });

  test('of five thousand entries all come in', () => {
    const many = Array.from(
      { length: 5000 },
      (_, i) => `<item><title>E ${i}</title><link>https://a.example/${i}</link></item>`,
    ).join('');
    expect(read(many).entries.length).toBe(5000);
  });
});
