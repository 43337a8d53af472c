import { z } from 'zod';

/** One word, or several that are read of which the first is written. */
const words = z.union([z.string().max(60), z.array(z.string().max(60)).min(1).max(8)]);

/** What stands before and after every value. */
const around = {
  before: z.string().max(12).optional(),
  after: z.string().max(12).optional(),
};

/** How a host spells the values of a setting. */
export const spelling = z.discriminatedUnion('form', [
  z.strictObject({ form: z.literal('words'), words: z.record(z.string(), words) }),
  z.strictObject({
    form: z.enum([
      'seconds',
      'milliseconds',
      'units',
      'allUnits',
      'clock',
      'longClock',
      'minuteClock',
      'iso8601',
      'hex',
      'hashHex',
      'upperHex',
      'hashUpperHex',
      'colourName',
      'rgb',
      'rgbNumbers',
      'text',
      'underscored',
      'upperCase',
      'numberFromOne',
      'numberFromZero',
    ]),
    ...around,
  }),
  z.strictObject({
    form: z.literal('scaled'),
    by: z.number().positive().max(100_000).describe('Times this: 25 for pictures a second, 0.01 for a volume from 0 to 1'),
    ...around,
  }),
  z
    .strictObject({
      form: z.literal('list'),
      separator: z.string().min(1).max(3).optional(),
      repeat: z.enum(['name', 'index']).optional().describe('The parameter once for each; with an index, as in show[0]'),
      words: z.record(z.string(), z.string().max(60)).optional(),
    })
    .refine(({ separator, repeat }) => (separator === undefined) !== (repeat === undefined), {
      message: 'a list has a separator, or repeats its parameter',
    }),
]);

export type Spelling = z.infer<typeof spelling>;

/** Spellings that need nothing but their name, by the type of a setting, the plainest first. */
export const PLAIN_SPELLINGS: Readonly<Record<string, readonly Exclude<Spelling['form'], 'words' | 'list' | 'scaled'>[]>> = {
  time: ['seconds', 'milliseconds', 'units', 'allUnits', 'clock', 'longClock', 'minuteClock', 'iso8601'],
  colour: ['hex', 'hashHex', 'upperHex', 'hashUpperHex', 'rgb', 'rgbNumbers', 'colourName'],
  count: ['numberFromOne', 'numberFromZero'],
  length: ['numberFromOne'],
  language: ['text', 'underscored', 'upperCase'],
  text: ['text'],
};
