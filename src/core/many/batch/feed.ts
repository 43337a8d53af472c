import { XMLParser } from 'fast-xml-parser';
import { z } from 'zod';
import { wordsOfMarkup } from './wordsOfMarkup.ts';

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
});
const rss = z.looseObject({ rss: z.looseObject({ channel: z.looseObject({ item: many(entry) }) }) });
const atom = z.looseObject({ feed: z.looseObject({ entry: many(entry) }) });

const HEAD = ['link', 'title', 'description', 'published'];

/** The entries of a feed (RSS 2.0; Atom, RFC 4287), the page of each as its link, or else its file; null where it is none. */
export function readFeed(text: string): { head: string[]; rows: string[][] } | null {
  if (!/^\s*<(\?xml|rss|feed)\b/.test(text)) return null;
  let data: unknown;
  try {
    // Entities of a document's own making are not expanded, so that none can grow without end.
    data = new XMLParser({
      ignoreAttributes: false,
      attributeNamePrefix: '@',
      parseTagValue: false,
      processEntities: { enabled: true, maxTotalExpansions: 100_000 },
    }).parse(text);
  } catch {
    return null;
  }
  const entries = rss.safeParse(data).data?.rss.channel.item ?? atom.safeParse(data).data?.feed.entry;
  if (!entries) return null;
  const rows = entries.map((one) => [
    linkOf(one.link) ?? one.enclosure?.['@url'] ?? '',
    one.title,
    wordsOfMarkup(one.description || one.summary),
    dayOf(one.pubDate || one.published),
  ]);
  return { head: HEAD, rows: rows.filter(([link]) => link !== '') };
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
