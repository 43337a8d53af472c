import { siteSchema, type Site } from '../../model/site.ts';
import type { Measures } from './measures.ts';

/** A page without any text says nothing of its site. */
export type Learnt = { site: Site } | { wrong: 'noText' };

/** A site as its page shows it; what the page cannot say is taken from another site. */
export function learnSite(measures: Measures, like: Site, id: string): Learnt {
  const { column, title, language, address, margin, serif, size, light, dark, sample } = measures;
  if (column === null) return { wrong: 'noText' };
  const site = siteSchema.parse({
    ...like,
    id,
    name: title || like.name,
    address: /^https?:\/\/[^/]/.test(address) && URL.canParse(address) ? new URL(address).origin : like.address,
    language: siteSchema.shape.language.safeParse(language).data ?? like.language,
    column: between(200, column, 2000),
    margin: between(0, margin, 200),
    typeface: { family: serif ? 'serif' : 'sans-serif', size: Math.min(32, Math.max(10, size)) },
    light,
    dark: dark ?? like.dark,
    followsTheme: dark !== null,
    palette: paletteOf(measures),
    // Of what its editor keeps, the page says nothing.
    keeps: [],
    form: 'responsive',
    strips: {},
    frames: null,
    shortcode: undefined,
    sample: {
      heading: sample.heading || like.sample.heading,
      before: sample.before,
      caption: like.sample.caption,
      after: sample.after || like.sample.after,
    },
  });
  return { site };
}

const between = (least: number, value: number, most: number): number => Math.round(Math.min(most, Math.max(least, value)));

/** Each colour once, without those of text and ground. */
function paletteOf({ colours, light, dark }: Measures): Site['palette'] {
  const others = [light, dark].flatMap((looks) => (looks ? [looks.text, looks.ground] : []));
  const fresh = colours.filter(({ colour: one, name }, i) => {
    return name !== '' && !others.includes(one) && colours.findIndex((other) => other.colour === one) === i;
  });
  return fresh.slice(0, 24);
}
