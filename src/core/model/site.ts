import { z } from 'zod';

const colour = z.string().regex(/^#[0-9a-f]{6}$/, 'a colour is written #rrggbb, in small letters');
const looks = z.strictObject({ text: colour, ground: colour });

/** A destination: where the embed will stand. Lengths in CSS pixels. */
export const siteSchema = z.strictObject({
  id: z.string().regex(/^[a-z][a-z0-9-]{1,39}$/),
  name: z.string().min(1).max(80),
  /** Address of its pages; its scheme decides what browsers load in them. */
  address: z.url({ protocol: /^https?$/ }),
  language: z.string().min(2).max(20),
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
  palette: z.array(z.strictObject({ name: z.string().min(1).max(40), colour })).max(24),
  /** Template (Mustache) of the short code that its editor takes. */
  shortcode: z.string().min(1).max(1000).optional(),
  /** Sample text for the preview. */
  sample: z.strictObject({
    heading: z.string().max(200),
    before: z.string().max(1000),
    caption: z.string().max(300),
    after: z.string().max(1000),
  }),
});

export type Site = z.infer<typeof siteSchema>;
