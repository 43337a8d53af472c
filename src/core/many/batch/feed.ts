import { XMLParser } from 'fast-xml-parser';
import { z } from 'zod';
import { parseTime } from '../../model/time.ts';
import { wordsOfMarkup } from '../../model/markup/wordsOfMarkup.ts';

/** Text of an element, whether it stands alone, has attributes, or is CDATA. */
const element = z
  .union([z.string(), z.looseObject({ '#text': z.string().optional(), '@type': z.string().optional() })])
  .transform((value) => (typeof value === 'object' ? { text: value['#text'] ?? '', type: value['@type'] } : { text: value }))
  .catch({ text: '' });
const words = element.transform(({ text }) => text);
/** A title is text, unless Atom says that it is markup (RFC 4287, section 3.1.1.2). */
const heading = element.transform(({ text, type }) => (type === 'html' ? wordsOfMarkup(text) : text.trim()));
const reference = z.looseObject({ '@href': z.string(), '@rel': z.string().optional() });
const link = z.union([reference, words]);
const many = <Schema extends z.ZodType>(schema: Schema) =>
  z.preprocess((v: unknown): unknown[] => (v === undefined ? [] : Array.isArray(v) ? v : [v]), z.array(schema).max(20_000));

const entry = z.looseObject({
  title: heading.default(''),
  link: many(link).catch([]),
  enclosure: z.looseObject({ '@url': z.string() }).optional().catch(undefined),
  description: words.default(''),
  summary: words.default(''),
  pubDate: words.default(''),
  published: words.default(''),
  'media:content': many(z.looseObject({ '@duration': z.string().optional() })).catch([]),
  'media:thumbnail': many(z.looseObject({ '@url': z.string() })).catch([]),
});
const rss = z.looseObject({ rss: z.looseObject({ channel: z.looseObject({ item: many(entry) }) }) });
const atom = z.looseObject({ feed: z.looseObject({ entry: many(entry) }) });

/** Those of signs take the place of something longer; more of them than any feed has. */
const MOST_ENTITIES = 20_000_000;

const HEAD = ['link', 'title', 'description', 'published'];

/** One entry of a feed. `seconds` and `cover` as Media RSS 1.5 tells them. */
export interface FeedEntry {
  link: string;
  title: string;
  words: string;
  /** `2027-01-11`, or empty. */
  day: string;
  seconds?: number | undefined;
  cover?: string | undefined;
}

/** The entries of a feed as a table, those without a link left out; null where it is none. */
export function readFeed(text: string): { head: string[]; rows: string[][] } | null {
  const entries = feedEntries(text);
  const rows = entries?.filter(({ link }) => link !== '').map(({ link, title, words: told, day }) => [link, title, told, day]);
  return rows ? { head: HEAD, rows } : null;
}

/** The entries of a feed (RSS 2.0; Atom, RFC 4287), the page of each as its link, or else its file; null where it is none. */
export function feedEntries(text: string): FeedEntry[] | null {
  if (!/^\s*<(\?xml|rss|feed)\b/.test(text)) return null;
  let data: unknown;
  try {
    data = new XMLParser({
      ignoreAttributes: false,
      attributeNamePrefix: '@',
      parseTagValue: false,
      // Numbers of signs too, which feeds are full of.
      htmlEntities: true,
      processEntities: { enabled: true, maxTotalExpansions: MOST_ENTITIES, maxExpandedLength: MOST_ENTITIES },
    }).parse(withoutDoctype(text));
  } catch {
    return null;
  }
  const entries = rss.safeParse(data).data?.rss.channel.item ?? atom.safeParse(data).data?.feed.entry;
  if (!entries) return null;
  return entries.map((one) => ({
    link: linkOf(one.link) ?? one.enclosure?.['@url'] ?? '',
    title: one.title,
    words: wordsOfMarkup(one.description || one.summary),
    day: dayOf(one.pubDate || one.published),
    seconds: parseTime(one['media:content'].find((content) => content['@duration'])?.['@duration'] ?? ''),
    cover: one['media:thumbnail'][0]?.['@url'],
  }));
}

/** Entities of a document’s own making are not read, so that none can grow without end; one is declared at most (XML 1.0, section 2.8). */
function withoutDoctype(text: string): string {
  const from = text.indexOf('<!DOCTYPE');
  if (from < 0) return text;
  const close = text.indexOf('>', from);
  const open = text.indexOf('[', from);
  const end = open > 0 && open < close ? text.indexOf('>', text.indexOf(']', open)) : close;
  return end < 0 ? '' : text.slice(0, from) + text.slice(end + 1);
}

function linkOf(links: z.infer<typeof entry>['link']): string | undefined {
  const found = links.map((one) =>
    typeof one === 'string' ? one : (one['@rel'] ?? 'alternate') === 'alternate' ? one['@href'] : '',
  );
  return found.find((one) => one.trim() !== '')?.trim();
}

/** The day as it is written, which is that of the publisher: RFC 3339 (Atom), RFC 822, section 5 (RSS). */
function dayOf(text: string): string {
  const day = /^\s*(?:\d{4}-\d{2}-\d{2}|(?:[a-z]+,?\s+)?\d{1,2}\s+[a-z]{3,9}\s+\d{2,4})/i.exec(text)?.[0];
  const time = Date.parse(`${day} UTC`);
  return Number.isNaN(time) ? '' : new Date(time).toISOString().slice(0, 10);
}
