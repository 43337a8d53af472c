import { siteSchema, type Site } from '../../model/site.ts';
import type { Measures } from './measures.ts';

/** A page without any text says nothing of its site. */
export type Learnt = { site: Site; unsaid: Unsaid[] } | { wrong: 'noText' };
/** What the page did not say, so that it is as in the other site. */
export type Unsaid = 'name' | 'address' | 'language';

/** A site as its page shows it; what the page cannot say is taken from another site. */
export function learnSite(measures: Measures, like: Site, id: string): Learnt {
  const { column, title, language, address, margin, serif, size, light, dark, sample } = measures;
  if (column === null) return { wrong: 'noText' };
  const said = {
    name: title || undefined,
    address: /^https?:\/\/[^/]/.test(address) && URL.canParse(address) ? new URL(address).origin : undefined,
    language: siteSchema.shape.language.safeParse(language).data,
  };
  const unsaid = (['name', 'address', 'language'] as const).filter((part) => said[part] === undefined);
  const site = siteSchema.parse({
    ...like,
    id,
    name: said.name ?? like.name,
    address: said.address ?? like.address,
    language: said.language ?? like.language,
    column: between(200, column, 2000),
    margin: between(0, margin, 200),
    typeface: { family: serif ? 'serif' : 'sans-serif', size: Math.min(32, Math.max(10, size)) },
    light,
    // A page that does not turn dark says no dark colours; its own, turned round, are nearer than those of another site.
    dark: dark ?? { text: light.ground, ground: light.text },
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
      caption: '',
      after: sample.after,
    },
  });
  return { site, unsaid };
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
