import { z } from 'zod';

const colour = z.string().regex(/^#[0-9a-f]{6}$/, 'a colour is written #rrggbb, in small letters');
const looks = z.strictObject({ text: colour, ground: colour });

const names = z
  .array(z.string().regex(/^[a-z][a-z0-9-]*$/, 'a name is small letters, digits and -'))
  .max(100)
  .default([]);
const space = z.number().int().min(0).max(400).default(0);

const pageWord = z.string().min(1).max(60);

/** A destination: where the embed will stand. Lengths in CSS pixels. */
export const siteSchema = z.strictObject({
  id: z.string().regex(/^[a-z][a-z0-9-]{1,39}$/),
  name: z.string().min(1).max(80),
  /** Address of its pages; its scheme decides what browsers load in them. */
  address: z.url({ protocol: /^https?$/ }),
  /** BCP 47. */
  language: z.string().regex(/^[a-z]{2,3}(?:-[A-Za-z0-9]{2,8}){0,3}$/, 'a language is written en, or pt-BR'),
  /** Words of its own for what goes into the code; all others are those of its language. */
  words: z
    .strictObject({
      play: pageWord.optional(),
      show: pageWord.optional(),
      cover: pageWord.optional(),
      transcript: pageWord.optional(),
      consent: z.string().min(1).max(300).optional(),
    })
    .optional(),
  column: z.number().int().min(200).max(2000),
  margin: z.number().int().min(0).max(200),
  breakpoints: z.strictObject({
    phone: z.number().int().min(280).max(600),
    tablet: z.number().int().min(500).max(1100),
    desktop: z.number().int().min(800).max(2560),
  }),
  typeface: z.strictObject({ family: z.enum(['serif', 'sans-serif']), size: z.number().min(10).max(32) }),
  light: looks,
  dark: looks,
  /** Whether its pages turn dark for visitors who want that. */
  followsTheme: z.boolean().default(true),
  palette: z.array(z.strictObject({ name: z.string().min(1).max(40), colour })).max(24),
  /** Ids of the forms of code that its editor keeps; empty where all are kept, or nobody knows. */
  keeps: z.array(z.string().max(40)).max(20).default([]),
  /** The form that is taken unless another is chosen. */
  form: z.string().max(40).default('responsive'),
  /** Template (Mustache) of the short code that its editor takes. */
  shortcode: z.string().min(1).max(1000).optional(),
  /** What its editor takes out of pasted code. */
  strips: z
    .strictObject({ scripts: z.boolean().default(false), elements: names, attributes: names, properties: names })
    .prefault({}),
  /** Origins that its Content Security Policy lets into frames (`frame-src`); null where it has none. */
  frames: z
    .array(z.string().regex(/^https?:\/\/[^\s/]+$/, 'an origin is scheme and host, such as https://media.example'))
    .max(200)
    .nullable()
    .default(null),
  /** Space above and below an embed, in CSS pixels, where nothing else is asked for. */
  space: z.strictObject({ above: space, below: space }).prefault({}),
  /** Sample text for the preview. */
  sample: z.strictObject({
    heading: z.string().max(200),
    before: z.string().max(1000),
    caption: z.string().max(300),
    after: z.string().max(1000),
  }),
});

export type Site = z.infer<typeof siteSchema>;
