import { z } from 'zod';

const colour = z.string().regex(/^#[0-9a-f]{6}$/);
const words = (most: number) => z.string().transform((text) => text.replace(/\s+/g, ' ').trim().slice(0, most));

/** What was measured of a saved page, in CSS pixels; a missing value could not be told. */
export const measuresSchema = z.object({
  title: words(80),
  language: z.string().max(20),
  address: z.string().max(2000),
  /** Width of its longest text, on a desktop; null where it has none. */
  column: z.number().nullable(),
  /** Distance of that text from the edge of a phone. */
  margin: z.number(),
  serif: z.boolean(),
  size: z.number(),
  light: z.object({ text: colour, ground: colour }),
  /** Null where it has no rules for visitors who want it dark. */
  dark: z.object({ text: colour, ground: colour }).nullable(),
  /** Custom properties and the colour of links, by name. */
  colours: z.array(z.object({ name: words(40), colour })).max(200),
  sample: z.object({ heading: words(200), before: words(1000), after: words(1000) }),
});

export type Measures = z.infer<typeof measuresSchema>;
