import fc from 'fast-check';
import { describe, expect, test } from 'vitest';
import { siteSchema } from '../../model/site.ts';
import { sites } from '../../../laws/world.ts';
import { learnSite } from './learnt.ts';
import { measuresSchema, type Measures } from './measures.ts';

const like = sites[0]!;
const measures: Measures = {
  title: 'Reed Cutters',
  language: 'nl',
  address: 'https://reedcutters.example/news/3',
  column: 612.4,
  margin: 18.6,
  serif: false,
  size: 18,
  light: { text: '#222222', ground: '#fefefe' },
  dark: null,
  colours: [
    { name: 'reed', colour: '#7a8b3c' },
    { name: 'ink', colour: '#222222' },
    { name: 'links', colour: '#7a8b3c' },
  ],
  sample: { heading: 'Reeds', before: 'We cut reeds.', after: '' },
};

function learnt(more: Partial<Measures>) {
  const found = learnSite({ ...measures, ...more }, like, 'site-x');
  return 'site' in found ? found.site : found;
}

describe('a site as its page shows it', () => {
  test('is measured, and what the page cannot say is that of another', () => {
    expect(learnt({})).toMatchObject({
      id: 'site-x',
      name: 'Reed Cutters',
      address: 'https://reedcutters.example',
      language: 'nl',
      column: 612,
      margin: 19,
      typeface: { family: 'sans-serif', size: 18 },
      followsTheme: false,
      dark: { text: '#fefefe', ground: '#222222' },
      palette: [{ name: 'reed', colour: '#7a8b3c' }],
      keeps: [],
      sample: { heading: 'Reeds', before: 'We cut reeds.', caption: '', after: '' },
    });
  });

  test('is a site whatever was measured, or none for want of text', () => {
    const odd = learnt({ column: 9, margin: -4, size: 400, language: '', address: 'file:///home/page.html', title: '' });
    expect(siteSchema.safeParse(odd).success).toBe(true);
    expect(odd).toMatchObject({ column: 200, margin: 0, language: like.language, address: like.address, name: like.name });
    expect(learnSite({ ...measures, address: '', language: '' }, like, 'site-x')).toMatchObject({
      unsaid: ['address', 'language'],
    });
    expect(learnt({ column: null })).toEqual({ wrong: 'noText' });
    expect(learnt({ dark: { text: '#eeeeee', ground: '#111111' } })).toMatchObject({
      followsTheme: true,
      dark: { text: '#eeeeee', ground: '#111111' },
    });
  });

  test('is never broken, whatever a page gives to be measured', () => {
    const colour = fc.stringMatching(/^#[0-9a-f]{6}$/);
    const looks = fc.record({ text: colour, ground: colour });
    const any = fc.string({ unit: 'binary', maxLength: 120 });
    const page = fc.record({
      title: any,
      language: fc.string({ maxLength: 20 }),
      address: fc.oneof(
        fc.webUrl({ withFragments: true }),
        any,
        fc.constantFrom('http://[::1]:80/x', 'https://a.example:99999/'),
      ),
      column: fc.option(fc.double({ noNaN: true, noDefaultInfinity: true })),
      margin: fc.double({ noNaN: true, noDefaultInfinity: true }),
      serif: fc.boolean(),
      size: fc.double({ noNaN: true, noDefaultInfinity: true }),
      light: looks,
      dark: fc.option(looks),
      colours: fc.array(fc.record({ name: any, colour }), { maxLength: 40 }),
      sample: fc.record({ heading: any, before: any, after: any }),
    });
    fc.assert(
      fc.property(page, (given) => {
        const found = learnSite(measuresSchema.parse(given), like, 'site-x');
        if (given.column === null) expect(found).toEqual({ wrong: 'noText' });
        else expect(siteSchema.parse('site' in found && found.site)).toEqual('site' in found && found.site);
      }),
      { numRuns: 500 },
    );
  });

  test('long and broken words are cut to what a site takes', () => {
    const { data } = measuresSchema.safeParse({ ...measures, title: ` ${'word \n'.repeat(90)}` });
    expect(data!.title.length).toBeLessThanOrEqual(80);
    expect(measuresSchema.safeParse({ ...measures, light: { text: 'red', ground: '#ffffff' } }).success).toBe(false);
  });
});
