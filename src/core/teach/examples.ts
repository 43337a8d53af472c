import { z } from 'zod';
import { KINDS, type Kind } from '../model/kind.ts';
import type { SettingValue } from '../model/values.ts';
import { isSettingId, properValue, type SettingId, type Settings } from '../known/settings/list.ts';

const MOST = 2000;

/** What a publisher has of a host: a link, the code that the host gave for it, and what the code asks for besides. */
const example = z.strictObject({
  link: z.string().max(4000).optional(),
  code: z.string().max(100_000).optional(),
  settings: z
    .record(z.string(), z.union([z.string().max(400), z.number(), z.boolean()]))
    .transform((given, context) => properSettings(given, context))
    .optional()
    .describe('By what the code differs from the plain one; switches are on and off'),
  kind: z.enum(KINDS).optional(),
});

/** `refenestra-examples/1`: examples of one host, in any order and number; `docs/formats/examples.md` tells it as a story. */
export const examplesSchema = z.strictObject({
  $schema: z.string().optional(),
  format: z.literal('refenestra-examples/1'),
  name: z.string().min(1).max(60).optional().describe('What the host is called'),
  examples: z.array(example).max(MOST),
});

/** What was put right by hand in what examples showed: settings that were taken back, parts of links, and where parts begin and end. */
export const putRightSchema = z.strictObject({
  dropped: z.array(z.string().refine(isSettingId)).max(200).default([]),
  parts: z
    .array(z.strictObject({ link: z.string().max(40), segment: z.number().int().min(0).max(100), is: z.enum(['any', 'same']) }))
    .max(200)
    .default([]),
  edges: z
    .array(
      z.strictObject({
        link: z.string().max(40),
        name: z.string().max(40),
        side: z.enum(['start', 'end']),
        by: z.number().int().min(-200).max(200),
      }),
    )
    .max(200)
    .default([]),
});
export type PutRight = z.infer<typeof putRightSchema>;
export const NOTHING_PUT_RIGHT: PutRight = { dropped: [], parts: [], edges: [] };

/** The examples that a card was learnt from, by its id. */
export const lessonSchema = z.strictObject({
  id: z.string().max(40),
  examples: examplesSchema.shape.examples,
  putRight: putRightSchema.default(NOTHING_PUT_RIGHT),
});
export type Lesson = z.infer<typeof lessonSchema>;

/** What somebody shows of a host: a link, a code, or both; and what they had set when they took it. */
export interface Example {
  link?: string | undefined;
  code?: string | undefined;
  settings?: Settings | undefined;
  kind?: Kind | undefined;
}

function properSettings(given: Readonly<Record<string, string | number | boolean>>, context: z.RefinementCtx): Settings {
  const settings: { [Id in SettingId]?: SettingValue } = {};
  for (const [id, value] of Object.entries(given)) {
    const proper = isSettingId(id) ? properValue(id, typeof value === 'boolean' ? (value ? 'on' : 'off') : value) : undefined;
    if (proper !== undefined) settings[id as SettingId] = proper;
    else
      context.addIssue({
        code: 'custom',
        path: [id],
        message: isSettingId(id) ? 'the setting takes no such value' : 'no setting has this id; `cli -- settings` lists them',
      });
  }
  return settings;
}
