import { siteSchema } from '../core/model/site.ts';

/** The site that there is where nobody has described one. */
export const PLAIN_SITE = siteSchema.parse({
  id: 'plain',
  name: 'Plain page',
  address: 'https://example.org',
  language: 'en',
  column: 720,
  margin: 24,
  breakpoints: { phone: 390, tablet: 820, desktop: 1280 },
  typeface: { family: 'sans-serif', size: 16 },
  light: { text: '#222222', ground: '#ffffff' },
  dark: { text: '#eeeeee', ground: '#1c1c1c' },
  palette: [],
  sample: {
    heading: 'A heading of the page',
    before: 'The text before the embed. Describe your own site under Sites, and its column, typeface and colours stand here.',
    caption: 'A caption beneath it.',
    after: 'The text after the embed.',
  },
});
