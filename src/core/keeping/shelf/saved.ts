import { z } from 'zod';
import type { Facts } from '../../model/item.ts';
import { KINDS } from '../../model/kind.ts';
import { parseRatio } from '../../model/values.ts';
import { LONGEST_ADDRESS, MOST_PLACED, placementSchema } from '../../model/placement.ts';
import { workSchema } from './work.ts';

/** Milliseconds since the epoch. */
const time = z.number();
const id = z.string().min(1).max(60);

/** How much of each an embed can have: `tag`, `address` and `description` in UTF-16 code units, the rest in number. */
export const MOST = { tags: 40, tag: 40, placed: MOST_PLACED, address: LONGEST_ADDRESS, description: 20_000 } as const;

/** The tags that a text names, none twice. */
export const tagsIn = (text: string): string[] =>
  joinedTags((text.match(/[^\s,;#]+/g) ?? []).map((tag) => tag.slice(0, MOST.tag)));

/** Several lists of tags as one, as many as there may be; what comes first stays. */
export const joinedTags = (...lists: (readonly string[])[]): string[] => [...new Set(lists.flat())].slice(0, MOST.tags);

const ratio = z.string().transform((text, context) => {
  const proper = parseRatio(text);
  if (proper !== undefined) return proper;
  context.addIssue({ code: 'custom', message: 'a ratio is written 16:9' });
  return z.NEVER;
});
const webAddress = z.url({ protocol: /^https?$/ }).max(4000);

export const factsSchema = z.object({
  title: z.string().max(2000).optional(),
  author: z.string().max(2000).optional(),
  description: z.string().max(MOST.description).optional(),
  duration: z.number().optional(),
  pages: z.number().optional(),
  ratio: ratio.optional(),
  cover: webAddress.optional(),
});

const FACTS = Object.keys(factsSchema.shape) as (keyof typeof factsSchema.shape)[];

/** What of the facts can be kept; whatever cannot is left. */
export function factsKept(facts: Facts): z.infer<typeof factsSchema> {
  const fields = FACTS.flatMap((name) => {
    if (facts[name] === undefined) return [];
    const read = factsSchema.shape[name].safeParse(facts[name]);
    return read.success && read.data !== undefined ? [[name, read.data] as const] : [];
  });
  return Object.fromEntries(fields);
}

/** How far an embed has come. That it needs a look is not kept here: it follows from what was found. */
const STAGES = ['draft', 'ready', 'placed'] as const;

/** An embed as it is kept. */
export const savedSchema = z.object({
  id,
  work: workSchema,
  title: z.string(),
  /** Id of the host card; empty where none knows it. */
  host: z.string(),
  kind: z.enum(KINDS).or(z.literal('')),
  made: time,
  changed: time,
  /** The canonical link: the same for all embeds of one item. */
  item: z.string().default(''),
  /** The code as it is now. */
  code: z.string().default(''),
  facts: factsSchema.prefault({}),
  stage: z.enum(STAGES).default('draft'),
  /** Codes of what would go wrong: not empty, and it needs a look. */
  look: z.array(z.string().max(60)).max(100).default([]),
  tags: z.array(z.string().min(1).max(MOST.tag)).max(MOST.tags).default([]),
  placed: z.array(placementSchema).max(MOST.placed).default([]),
  /** Counts the writes, so that two windows notice each other. */
  revision: z.number().int().min(0).default(0),
});
export type SavedEmbed = z.infer<typeof savedSchema>;

/** Room for the id of an embed, and for what tells its versions apart. */
const VERSION_ID = 100;

/** A code that was taken away, with the work of which it was made. */
export const versionSchema = z.object({
  id: z.string().min(1).max(VERSION_ID),
  embed: id,
  taken: time,
  code: z.string(),
  work: workSchema,
});
export type Version = z.infer<typeof versionSchema>;

/** The small picture of an embed, for the Shelf. */
export const pictureSchema = z.object({
  id,
  /** The picture itself (RFC 2397). */
  address: z.string().regex(/^data:image\/(?:webp|jpeg|png);base64,[A-Za-z0-9+/]+=*$/),
});
export type Picture = z.infer<typeof pictureSchema>;

/** What the site made of an embed, when its published code was checked last. */
export const publishedCodeSchema = z.object({
  id,
  date: time,
  /** The code that was given. */
  given: z.string(),
  /** What stood in the page. */
  back: z.string().max(200_000),
  /** How many things were not as they were given. */
  losses: z.number().int().min(0),
});
export type PublishedCode = z.infer<typeof publishedCodeSchema>;

/** The four states that a publisher sees. */
export const STATES = ['draft', 'ready', 'placed', 'look'] as const;
export type State = (typeof STATES)[number];
/** How far an embed is, as the Shelf shows it: one that has to be looked at is nothing else. */
export const stateOf = ({ stage, look }: Pick<SavedEmbed, 'stage' | 'look'>): State => (look.length > 0 ? 'look' : stage);

/** As many searches of the Shelf are kept: more than anybody reads through. */
export const MOST_SEARCHES = 40;

/** Searches of the Shelf, each as the query of its address, the first kept first. */
export const searchesSchema = z.array(z.string().max(2000)).max(MOST_SEARCHES);
