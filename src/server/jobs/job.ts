import { z } from 'zod';
import { splitRows } from '../../core/many/batch/batch.ts';
import { styleSchema } from '../../core/known/styles/style.ts';
import { siteSchema } from '../../core/model/site.ts';
import { LONGEST_TEXT } from '../../core/steps/read/read.ts';

/** Work that takes longer than somebody waits: a batch of many rows, or the sweep of a site at its address. */
const site = z
  .union([z.string().max(40), siteSchema])
  .nullable()
  .default(null)
  .describe('The site that the code is for: its id, where this server knows it, or the whole of it.');
const title = z.string().max(120).default('').describe('What the job is called in the list.');

export const orderSchema = z.discriminatedUnion('kind', [
  z.strictObject({
    kind: z.literal('batch'),
    title,
    text: z.string().min(1).max(LONGEST_TEXT).describe('A list of links, a table as CSV, or a feed.'),
    site,
    style: styleSchema.nullable().default(null).describe('The house style of the site.'),
    ask: z.boolean().default(false).describe('Whether hosts are asked for titles and sizes.'),
  }),
  z.strictObject({
    kind: z.literal('sweep'),
    title,
    url: z
      .url({ protocol: /^https?$/ })
      .max(4000)
      .describe('The first page of the site.'),
    most: z.number().int().min(1).max(5000).default(1000).describe('Pages at most.'),
    site,
  }),
]);
export type Order = z.infer<typeof orderSchema>;

/** A piece of a job that one process does at once. */
export type Part =
  | { kind: 'batch'; order: Omit<Extract<Order, { kind: 'batch' }>, 'text'>; some: ReturnType<typeof splitRows>[number] }
  | { kind: 'sweep'; order: Extract<Order, { kind: 'sweep' }> };

/** Rows of one part: as many as are made in a tenth of a second, so that a process answers others in between. */
const ROWS = 500;

export function partsOf(order: Order): Part[] {
  if (order.kind === 'sweep') return [{ kind: 'sweep', order }];
  const { text, ...rest } = order;
  return splitRows(text, ROWS).map((some) => ({ kind: 'batch', order: rest, some }));
}

export const JOB_STATES = ['waiting', 'running', 'done', 'failed', 'cancelled'] as const;
export type JobState = (typeof JOB_STATES)[number];

/** How far a job has come. */
export interface JobTold {
  id: string;
  kind: Order['kind'];
  title: string;
  /** When it was ordered (ISO 8601). */
  ordered: string;
  state: JobState;
  parts: number;
  made: number;
  failed: number;
  /** Why the last part that failed did. */
  why?: string;
}

/** What was ordered, without how far it has come. */
export type JobHead = Pick<JobTold, 'id' | 'kind' | 'title' | 'ordered' | 'parts'>;

export function stateOf({ parts }: JobHead, come: { made: number; failed: number; cancelled: boolean }): JobState {
  if (come.made >= parts) return 'done';
  if (come.cancelled) return 'cancelled';
  if (come.failed > 0 && come.made + come.failed >= parts) return 'failed';
  return come.made + come.failed > 0 ? 'running' : 'waiting';
}

/** Does one part; what comes of it is plain data, a line each. */
export type Worker = (part: Part) => readonly object[] | Promise<readonly object[]>;

/** At once, or later. */
type Soon<Value> = Value | Promise<Value>;

/** The jobs of a service. Those that are over are forgotten after a week. */
export interface Jobs {
  add: (order: Order) => Soon<JobTold>;
  /** The newest first. */
  list: () => Soon<JobTold[]>;
  get: (id: string) => Soon<JobTold | null>;
  /** What is made so far, in the order of the parts. */
  rows: (id: string) => Iterable<object> | AsyncIterable<object>;
  cancel: (id: string) => Soon<void>;
  /** The parts that failed, and those that were cancelled, are done again. */
  retry: (id: string) => Soon<void>;
  /** Parts by state, of all jobs. */
  counts: () => Soon<Readonly<Record<string, number>>>;
}

/** Jobs that a process keeps in its memory at most; the oldest gives way. */
export const MOST_JOBS = 200;
/** Milliseconds for which a job is kept. */
export const KEPT = 7 * 24 * 60 * 60 * 1000;
/** How often a part is tried. */
export const TRIES = 3;
