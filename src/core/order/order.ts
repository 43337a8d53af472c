import { z } from 'zod';
import { sameJson } from '../model/json.ts';
import { MOST_PLACED, placementSchema } from '../model/placement.ts';

/**
 * A running order: entries in order, each an item of any host or a media file, and how a page plays them as one.
 * Plain data, `docs/formats/running-order.md`; the JSON Schema beside it is made from this.
 */
export const MOST_ENTRIES = 5000;
/** A line each second of a long day. */
export const MOST_CUES = 50_000;

const webAddress = z
  .url({ protocol: /^https?$/ })
  .max(4000)
  .describe('http or https');
const seconds = z.number().min(0).max(360_000);

/** One stretch of what is said, with its time in seconds. */
const cue = z.strictObject({
  from: seconds,
  until: seconds,
  text: z.string().max(2000),
  who: z.string().max(120).optional().describe('Who speaks'),
});
export type Cue = z.infer<typeof cue>;

const chapter = z.strictObject({ at: seconds, title: z.string().max(300) });
export type Chapter = z.infer<typeof chapter>;

const entry = z.strictObject({
  id: z.string().min(1).max(400).describe('Of its own within the order; of a feed, that of the feed'),
  address: webAddress.describe('A share link, a frame address, or a media file'),
  media: z.enum(['audio', 'video']).optional().describe('What its file is, where a feed says so and its name does not'),
  page: webAddress.optional().describe('Where it is written about, where that is not the address'),
  title: z.string().max(300).default(''),
  words: z.string().max(5000).default(''),
  author: z.string().max(200).default(''),
  day: z.union([z.iso.date(), z.literal('')]).default(''),
  seconds: seconds.optional().describe('How long it is'),
  from: seconds.optional().describe('Where its clip begins'),
  until: seconds.optional().describe('Where its clip ends'),
  chapters: z.array(chapter).max(2000).default([]),
  transcript: z.array(cue).max(MOST_CUES).default([]),
  chaptersAt: webAddress.optional().describe('Where its feed says that its chapters are'),
  transcriptAt: webAddress.optional().describe('Where its feed says that its transcript is'),
});
export type Entry = z.infer<typeof entry>;

export const LAYOUTS = ['beside', 'below', 'strip', 'one'] as const;
export const LOOPS = ['none', 'one', 'all'] as const;

export const orderSchema = z.strictObject({
  $schema: z.string().optional(),
  format: z.literal('refenestra-running-order/1'),
  id: z.string().min(1).max(80),
  name: z.string().max(300).default(''),
  words: z.string().max(5000).default(''),
  layout: z.enum(LAYOUTS).default('beside').describe('Where the list stands: it follows the width of the frame'),
  continuous: z.boolean().default(true).describe('Whether the next entry begins by itself'),
  loop: z.enum(LOOPS).default('none'),
  autoplay: z.boolean().default(false).describe('Whether the first entry begins by itself, which browsers allow without sound'),
  volume: z.number().min(0).max(1).default(1).describe('How loud media files begin, from 0 to 1'),
  first: z.number().int().min(0).max(MOST_ENTRIES).default(0).describe('The entry that is shown first, from 0'),
  accent: z
    .string()
    .regex(/^#[0-9a-f]{6}$/)
    .optional()
    .describe('Marks what plays; the colour of the text where there is none'),
  download: z.boolean().default(false).describe('Whether media files can be saved'),
  cover: z
    .string()
    .regex(/^data:image\/(?:webp|jpeg|png);base64,[A-Za-z0-9+/]+=*$/)
    .max(100_000)
    .optional()
    .describe('A small picture at its head, within the page itself (RFC 2397)'),
  coverAt: webAddress.optional().describe('Where its feed says that its picture is'),
  links: z
    .array(z.strictObject({ words: z.string().min(1).max(80), address: webAddress }))
    .max(20)
    .default([])
    .describe('Where else it can be had'),
  streamScript: webAddress
    .optional()
    .describe('The script module that plays streams in browsers that do not play them by themselves'),
  feed: webAddress.optional().describe('The feed that it was made from, and is brought up to date by'),
  seen: z.array(z.string().max(400)).max(20_000).default([]).describe('Ids of the feed that were looked at, taken or not'),
  entries: z.array(entry).max(MOST_ENTRIES),
});
export type Order = z.infer<typeof orderSchema>;

/** How many versions of a running order are kept: those that were taken away last. */
export const MOST_VERSIONS = 10;

const version = z.strictObject({ taken: z.number(), order: orderSchema });
export type OrderVersion = z.infer<typeof version>;

/** A running order as it is kept: when it was changed, where it was placed, and as what it was taken away. Times in milliseconds since the epoch. */
export const keptOrderSchema = z.strictObject({
  changed: z.number(),
  order: orderSchema,
  placed: z.array(placementSchema).max(MOST_PLACED).default([]),
  versions: z.array(version).max(MOST_VERSIONS).default([]).describe('The last first'),
});
export type KeptOrder = z.infer<typeof keptOrderSchema>;

/** What a file or a feed holds of a running order. */
export interface Found {
  name: string;
  words: string;
  links: Order['links'];
  /** Where its picture is. */
  coverAt?: string | undefined;
  entries: Entry[];
  /** Entries that were left out: their place, from 0, since they have no address that can be played or followed. */
  left: readonly number[];
}

/** A running order with what is given, and else what is usual. Throws where what is given is not of its schema. */
export const newOrder = (id: string, given: Partial<z.input<typeof orderSchema>> = {}): Order =>
  orderSchema.parse({ format: 'refenestra-running-order/1', id, entries: [], ...given });

/** An entry of what was found somewhere; null where it has no address. Texts are cut where they are longer than any reader has use for. */
export function entryOf(given: Partial<Record<keyof Entry, unknown>>): Entry | null {
  const cut = (value: unknown, most: number): string => (typeof value === 'string' ? value.trim().slice(0, most) : '');
  const read = entry.safeParse({
    ...given,
    id: cut(given.id, 400) || cut(given.address, 400),
    title: cut(given.title, 300),
    words: cut(given.words, 5000),
    author: cut(given.author, 200),
  });
  return read.success ? read.data : null;
}

/** An order brought up to date: what of the feed was never looked at, the newest first, `newest` of them at most. */
export function withNews(order: Order, found: Found, newest = Infinity): { order: Order; added: Entry[] } {
  const seen = new Set([...order.seen, ...order.entries.map(({ id }) => id)]);
  const added = found.entries.filter(({ id }) => !seen.has(id)).slice(0, newest);
  const entries = [...added, ...order.entries].slice(0, MOST_ENTRIES);
  return {
    added,
    order: { ...order, entries, seen: [...new Set([...found.entries.map(({ id }) => id), ...order.seen])].slice(0, 20_000) },
  };
}

/** Whether a feed names a transcript or chapters of an entry that it does not have yet. */
export const namesMore = ({ transcriptAt, transcript, chaptersAt, chapters }: Entry): boolean =>
  (transcriptAt !== undefined && transcript.length === 0) || (chaptersAt !== undefined && chapters.length === 0);

/** With one more version, the last first; the same one taken twice is one version. */
export const takenAlso = (versions: readonly OrderVersion[], order: Order, taken: number): OrderVersion[] =>
  sameJson(versions[0]?.order, order) ? [...versions] : [{ taken, order }, ...versions].slice(0, MOST_VERSIONS);
