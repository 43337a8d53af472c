import { z } from 'zod';
import { SOURCES } from '../../model/candidate.ts';
import { KINDS } from '../../model/kind.ts';
import type { SweptFile } from './found.ts';

const range = z.tuple([z.number(), z.number()]);
const words = z.array(z.string());
/** What is said of it is chosen by its code; the rest differs from one to the other. */
const coded = z.looseObject({ code: z.string() });
const findingSchema = z.looseObject({
  code: z.string(),
  severity: z.enum(['error', 'warning', 'note']),
  place: range.nullable(),
  actual: z.string(),
  expected: z.string(),
});

/** A change of one embed, as it is kept. */
export const changeSchema = z.object({
  range,
  before: z.string(),
  after: z.string(),
  ends: words,
  stays: words,
  loads: z.boolean(),
});

const embedSchema = z.object({
  file: z.string(),
  line: z.number(),
  range,
  source: z.enum(SOURCES),
  kind: z.enum(KINDS),
  host: z.string().nullable(),
  item: z.string(),
  frame: z.string().nullable(),
  title: z.string(),
  loads: z.boolean(),
  findings: z.array(findingSchema),
  change: changeSchema.nullable(),
});

const fileSchema = z.object({
  file: z.string(),
  title: z.string(),
  language: z.string(),
  embeds: z.array(embedSchema),
  links: z.array(z.object({ file: z.string(), line: z.number(), host: z.string(), item: z.string() })),
  left: z.array(z.object({ file: z.string(), line: z.number(), why: coded })),
});

/** A file that a sweep has looked into. */
export interface Looked {
  file: string;
  /** By which it is known that the file is still the same. */
  stamp: string;
  /** Null where it is none that a sweep looks into. */
  found: SweptFile | null;
}

/** As it is kept while a sweep has not come to its end. */
export const lookedSchema = z.object({
  file: z.string(),
  stamp: z.string(),
  found: fileSchema.transform((found) => found as unknown as SweptFile).nullable(),
});
