import fc from 'fast-check';
import { describe, expect, test } from 'vitest';
import { bringIn, makeEmbed } from '../../pipeline.ts';
import { book, inFrame, link, sites } from '../../../laws/world.ts';
import { STRIPPERS } from '../../../laws/strippers.ts';
import { offeredInstead, type CodeFormId } from '../../steps/write/forms/list.ts';
import { compareBack, mainTag } from './compare.ts';
import { severityOf, joinStrips, learn } from './loss.ts';
import { strip } from './strip.ts';
import { survivor } from './survive.ts';

const LINK = 'http://lanternreel.localhost:4600/see/k7wq2m9d';
const codeIn =
  (from = LINK, asked = {}) =>
  (form: CodeFormId): string => {
    const { item } = bringIn(from, book)[0]!;
    return makeEmbed(
      item!,
      { title: 'The sluice', autoplay: 'on', mute: 'on', ...asked },
      { book, site: sites[0]!, form, facts: {} },
    ).code.text;
  };
const given = codeIn()('responsive');
const NOTHING = { scripts: false, elements: [], attributes: [], properties: [] };

describe('what a site made of the code', () => {
  test.each([
    ['left as it is', (code: string) => code, []],
    ['found again within a page', (code: string) => `<html><body><p>Before</p><div class="x">${code}</div></body></html>`, []],
    ['other spaces in the style', (code: string) => code.replace('16/9', '16 / 9'), []],
    ['gone without a trace', () => '<p>Before and after</p>', [{ code: 'gone' }]],
    ['twice', (code: string) => code + code, [{ code: 'doubled', times: 2 }]],
    [
      'a title taken out',
      (code: string) => code.replace(/ title="[^"]*"/, ''),
      [{ code: 'attributeGone', tag: 'iframe', name: 'title', was: 'The sluice' }],
    ],
    [
      'another width',
      (code: string) => code.replace('width:100%', 'width:640px'),
      [{ code: 'propertyChanged', tag: 'iframe', name: 'width', was: '100%', now: '640px' }],
    ],
    [
      'something added',
      (code: string) => code.replace('<iframe', '<iframe loading="lazy"'),
      [{ code: 'attributeNew', tag: 'iframe', name: 'loading', now: 'lazy' }],
    ],
    [
      'a parameter taken out of the address',
      (code: string) => code.replace('&amp;hush=1', ''),
      [expect.objectContaining({ code: 'attributeChanged', name: 'src' })],
    ],
  ])('%s', (_, site, losses) => {
    expect(compareBack(given, site(given))).toEqual(losses);
  });

  test('a link is there or not, whatever the page made of its signs', () => {
    const address = `${LINK}?at=1m&b=2`;
    expect(compareBack(address, `<p><a href="${address.replace('&', '&amp;')}">film</a></p>`)).toEqual([]);
    expect(compareBack(address, '<p>film</p>')).toEqual([{ code: 'gone' }]);
  });

  test('never says that untouched code lost anything', () => {
    const forms = fc.constantFrom<CodeFormId>('responsive', 'padded', 'fixed', 'cover', 'cover-script');
    fc.assert(
      fc.property(link, inFrame, forms, (from, settings, form) => {
        const { item } = bringIn(from, book)[0]!;
        const code = makeEmbed(item!, settings, { book, site: sites[0]!, form, facts: {} }).code.text;
        expect(compareBack(code, `<main>${strip(code, NOTHING)}</main>`)).toEqual([]);
      }),
      { numRuns: 300 },
    );
  });
});

describe('eight strippers', () => {
  /** What each leaves of the usual form, and the form that is then offered. */
  const EXPECTED: Record<string, [lost: string[], offered: CodeFormId]> = {
    'takes out scripts': [[], 'responsive'],
    'knows no newer CSS': [['propertyGone aspect-ratio'], 'padded'],
    'takes out styles': [['attributeGone style'], 'fixed'],
    'keeps address and size alone': [
      ['attributeGone title', 'attributeGone style', 'attributeGone allow', 'attributeGone allowfullscreen'],
      'fixed',
    ],
    'takes out frames': [['linkOnly'], 'link'],
    'shows code as text': [['asText'], 'link'],
    'sanitize-html as it comes': [['gone'], 'link'],
    'DOMPurify as it comes': [['gone'], 'link'],
  };

  test('each has its case', () => expect(Object.keys(EXPECTED)).toEqual(Object.keys(STRIPPERS)));

  test.each(Object.entries(EXPECTED))('%s', (name, [lost, offered]) => {
    const stripper = STRIPPERS[name]!;
    const losses = compareBack(given, stripper(given));
    expect(losses.map((loss) => ('name' in loss ? `${loss.code} ${loss.name}` : loss.code))).toEqual(lost);

    const strips = learn(losses, mainTag(given));
    const { form } = survivor(offeredInstead(codeIn()), strips);
    expect(form).toBe(offered);

    // What is foretold of the form that is offered is what the site really does to it.
    const code = codeIn()(form);
    const really = form === 'link' ? [] : compareBack(code, stripper(code));
    expect(really.filter((loss) => severityOf(loss) === 'error')).toEqual([]);
    if (form === 'link') expect(stripper(code)).toContain(code);
    else expect(compareBack(code, strip(code, strips))).toEqual(really);
  });

  test('a script code is lost with its script', () => {
    const album = codeIn('http://albumfen.localhost:4600/by/saltings-bakehouse/album/204118')('responsive');
    const losses = compareBack(album, STRIPPERS['takes out scripts']!(album));
    expect(losses).toEqual([{ code: 'elementGone', tag: 'script' }]);
    expect(learn(losses, mainTag(album))).toMatchObject({ scripts: true });
  });

  test('what was learnt is joined with what was known', () => {
    const known = { ...NOTHING, attributes: ['style'], elements: ['object'] };
    expect(joinStrips(known, { scripts: true, elements: ['iframe'], attributes: ['allow', 'style'], properties: [] })).toEqual({
      scripts: true,
      elements: ['iframe', 'object'],
      attributes: ['allow', 'style'],
      properties: [],
    });
  });
});
