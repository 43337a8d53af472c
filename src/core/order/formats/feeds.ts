import { generateAtomFeed, generateJsonFeed, generateRssFeed, parseFeed } from 'feedsmith';
import { wordsOfMarkup } from '../../model/markup/wordsOfMarkup.ts';
import { parseTime, showTime } from '../../model/time.ts';
import { entryOf, type Chapter, type Entry, type Found, type Order } from '../order.ts';
import type { OrderFormat } from './format.ts';
import { dayOf, lengthOf, whole } from './whole.ts';

/** The parts of a parsed feed that are looked at, whatever kind it is of; all of it is checked where it is taken. */
interface Loose {
  title?: unknown;
  description?: unknown;
  subtitle?: unknown;
  link?: unknown;
  links?: readonly { href?: unknown; rel?: unknown; type?: unknown }[];
  image?: { url?: unknown };
  itunes?: { image?: unknown };
  logo?: unknown;
  icon?: unknown;
  home_page_url?: unknown;
  items?: readonly LooseItem[];
  entries?: readonly LooseItem[];
}
interface LooseItem {
  id?: unknown;
  guid?: { value?: unknown };
  title?: unknown;
  description?: unknown;
  summary?: unknown;
  content?: unknown;
  content_text?: unknown;
  content_html?: unknown;
  link?: unknown;
  url?: unknown;
  links?: readonly { href?: unknown; rel?: unknown; type?: unknown }[];
  enclosures?: readonly { url?: unknown; type?: unknown }[];
  attachments?: readonly { url?: unknown; mime_type?: unknown; duration_in_seconds?: unknown }[];
  pubDate?: unknown;
  published?: unknown;
  updated?: unknown;
  date_published?: unknown;
  authors?: readonly unknown[];
  itunes?: { duration?: unknown; author?: unknown; summary?: unknown };
  /** The podcast namespace. */
  podcast?: { transcripts?: readonly { url?: unknown; type?: unknown }[]; chapters?: { url?: unknown } };
  /** Podlove Simple Chapters. */
  psc?: { chapters?: readonly { start?: unknown; title?: unknown }[] };
}

const MOST = 5000;
const text = (value: unknown): string => {
  const held = typeof value === 'object' && value !== null && 'value' in value ? value.value : value;
  return typeof held === 'string' ? wordsOfMarkup(held) : '';
};

const relOf = (links: LooseItem['links'], rel: string): unknown => links?.find((one) => (one.rel ?? 'alternate') === rel)?.href;

function read(source: string, base: string | undefined): Found | null {
  let feed: Loose;
  try {
    feed = parseFeed(withoutDoctype(source), { maxItems: MOST }).feed;
  } catch {
    return null;
  }
  const home = whole(feed.link ?? feed.home_page_url ?? relOf(feed.links, 'alternate'), base);
  const items = [...(feed.items ?? feed.entries ?? [])].slice(0, MOST);
  const left: number[] = [];
  const entries: Entry[] = [];
  const held = new Set<string>();
  items.forEach((item, i) => {
    const found = entryIn(item, base ?? home);
    // An id that stands twice would make two entries one.
    const own = found && held.has(found.id) ? { ...found, id: `${found.id} ${i}`.slice(0, 400) } : found;
    if (!own) return void left.push(i);
    held.add(own.id);
    entries.push(own);
  });
  return {
    name: text(feed.title).slice(0, 300),
    words: (text(feed.description) || text(feed.subtitle)).slice(0, 5000),
    links: home === undefined ? [] : [{ words: text(feed.title).slice(0, 80) || 'Home', address: home }],
    coverAt: [feed.itunes?.image, feed.image?.url, feed.logo, feed.icon].map((at) => whole(at, base ?? home)).find((at) => at),
    entries,
    left,
  };
}

/** Entities of a document’s own making are not read (XML 1.0, section 2.8). */
const withoutDoctype = (source: string): string => source.replace(/<!DOCTYPE[^>[]*(?:\[[^\]]*\])?[^>]*>/i, '');

function entryIn(item: LooseItem, base: string | undefined): Entry | null {
  const page = whole(item.link ?? item.url ?? relOf(item.links, 'alternate'), base);
  const held = [
    ...(item.enclosures ?? []),
    ...(item.attachments ?? []).map(({ url, mime_type: type }) => ({ url, type })),
    ...(item.links ?? []).filter(({ rel }) => rel === 'enclosure').map(({ href: url, type }) => ({ url, type })),
  ].find(({ url }) => whole(url, base));
  const file = whole(held?.url, base);
  const [author] = item.authors ?? [];
  return entryOf({
    id: item.guid?.value ?? item.id ?? file ?? page,
    address: file ?? page,
    media: /^(?:audio|video)(?=\/)/i.exec(String(held?.type))?.[0].toLowerCase(),
    page: file === undefined || page === file ? undefined : page,
    title: text(item.title),
    words: text(
      item.description ?? item.summary ?? item.content_text ?? item.content_html ?? item.content ?? item.itunes?.summary,
    ),
    author: text(
      typeof author === 'object' && author !== null && 'name' in author ? author.name : (author ?? item.itunes?.author),
    ),
    day: dayOf(item.pubDate ?? item.published ?? item.updated ?? item.date_published),
    seconds: lengthOf(item.itunes?.duration ?? item.attachments?.[0]?.duration_in_seconds),
    chapters: chaptersIn(item.psc?.chapters ?? []),
    chaptersAt: whole(item.podcast?.chapters?.url, base),
    transcriptAt: whole(transcriptIn(item.podcast?.transcripts ?? []), base),
  });
}

/** Of several transcripts one that can be read, and of those one that says who speaks. */
function transcriptIn(all: readonly { url?: unknown; type?: unknown }[]): unknown {
  const of = (type: RegExp): unknown => all.find((one) => type.test(`${String(one.type)} ${String(one.url)}`))?.url;
  return of(/vtt/i) ?? of(/srt|subrip/i);
}

const chaptersIn = (all: readonly { start?: unknown; title?: unknown }[]): Chapter[] =>
  all
    .flatMap(({ start, title }): Chapter[] => {
      const at = typeof start === 'string' ? parseTime(start) : undefined;
      const words = text(title).slice(0, 300);
      return at === undefined || words === '' ? [] : [{ at, title: words }];
    })
    .sort((a, b) => a.at - b.at)
    .slice(0, 2000);

const dateOf = ({ day }: Entry): Date | undefined => (day === '' ? undefined : new Date(`${day}T00:00:00Z`));

/** MIME types of media files by their ending; of all else, that of a page. */
const TYPES: readonly (readonly [ending: RegExp, type: string])[] = [
  [/\.mp3$/i, 'audio/mpeg'],
  [/\.(?:m4a|aac)$/i, 'audio/mp4'],
  [/\.(?:ogg|oga|opus)$/i, 'audio/ogg'],
  [/\.wav$/i, 'audio/wav'],
  [/\.webm$/i, 'video/webm'],
  [/\.(?:mp4|m4v|mov)$/i, 'video/mp4'],
];
const typeOf = ({ address, media }: Entry): string | undefined =>
  TYPES.find(([ending]) => ending.test(new URL(address).pathname))?.[1] ??
  // Of a file whose name says nothing, what most of its kind are; players look for themselves.
  (media && { audio: 'audio/mpeg', video: 'video/mp4' }[media]);

const home = ({ links, entries }: Order): string => links[0]?.address ?? entries[0]?.address ?? 'https://site.example/';

const rss: OrderFormat = {
  id: 'rss',
  label: 'RSS, as podcasts have it',
  extension: 'xml',
  is: (source) => /<rss[\s>]|<rdf:RDF[\s>]/i.test(source.slice(0, 4000)),
  read,
  write: (order) =>
    generateRssFeed(
      {
        title: order.name,
        description: order.words || order.name,
        link: home(order),
        ...(order.coverAt !== undefined && { itunes: { image: order.coverAt } }),
        items: order.entries.map((one) => ({
          title: one.title,
          description: one.words,
          link: one.page ?? one.address,
          guid: { value: one.id, isPermaLink: false },
          ...(dateOf(one) && { pubDate: dateOf(one)! }),
          ...(typeOf(one) && { enclosures: [{ url: one.address, type: typeOf(one)!, length: 0 }] }),
          ...(one.chapters.length > 0 && {
            psc: { chapters: one.chapters.map(({ at, title }) => ({ start: showTime(at), title })) },
          }),
          podcast: {
            ...(one.transcriptAt !== undefined && {
              transcripts: [
                { url: one.transcriptAt, type: /\.srt(?:$|\?)/i.test(one.transcriptAt) ? 'application/x-subrip' : 'text/vtt' },
              ],
            }),
            ...(one.chaptersAt !== undefined && { chapters: { url: one.chaptersAt, type: 'application/json+chapters' } }),
          },
          itunes: {
            ...(one.seconds !== undefined && { duration: Math.round(one.seconds) }),
            ...(one.author && { author: one.author }),
          },
        })),
      },
      { lenient: true },
    ),
};

const atom: OrderFormat = {
  id: 'atom',
  label: 'Atom',
  extension: 'atom.xml',
  is: (source) => /<feed[\s>]/i.test(source.slice(0, 4000)),
  read,
  write: (order) =>
    generateAtomFeed(
      {
        id: home(order),
        title: { value: order.name },
        subtitle: { value: order.words },
        updated: order.entries.map(dateOf).find((date) => date !== undefined) ?? new Date(0),
        links: [{ href: home(order), rel: 'alternate' }],
        ...(order.coverAt !== undefined && { logo: order.coverAt }),
        entries: order.entries.map((one) => ({
          id: one.id,
          title: { value: one.title },
          summary: { value: one.words },
          updated: dateOf(one) ?? new Date(0),
          ...(dateOf(one) && { published: dateOf(one)! }),
          ...(one.author && { authors: [{ name: one.author }] }),
          links: [
            { href: one.page ?? one.address, rel: 'alternate' },
            ...(typeOf(one) ? [{ href: one.address, rel: 'enclosure', type: typeOf(one)! }] : []),
          ],
        })),
      },
      { lenient: true },
    ),
};

const jsonFeed: OrderFormat = {
  id: 'json-feed',
  label: 'JSON Feed',
  extension: 'json',
  is: (source) => /^\s*\{/.test(source) && /"version"\s*:\s*"https:\\?\/\\?\/jsonfeed\.org/.test(source.slice(0, 20_000)),
  read,
  write: (order) =>
    JSON.stringify(
      generateJsonFeed(
        {
          title: order.name,
          description: order.words,
          home_page_url: home(order),
          ...(order.coverAt !== undefined && { icon: order.coverAt }),
          items: order.entries.map((one) => ({
            id: one.id,
            url: one.page ?? one.address,
            title: one.title,
            content_text: one.words,
            ...(dateOf(one) && { date_published: dateOf(one)! }),
            ...(one.author && { authors: [{ name: one.author }] }),
            ...(typeOf(one) && {
              attachments: [
                {
                  url: one.address,
                  mime_type: typeOf(one)!,
                  ...(one.seconds !== undefined && { duration_in_seconds: one.seconds }),
                },
              ],
            }),
          })),
        },
        { lenient: true },
      ),
      null,
      2,
    ),
};

export const FEEDS: readonly OrderFormat[] = [rss, atom, jsonFeed];
