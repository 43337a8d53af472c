import { describe, expect, test } from 'vitest';
import { bringIn, makeEmbed } from '../../pipeline.ts';
import { makeBook } from './book.ts';
import type { HostCard } from './card.ts';
import { loadCards } from './loadCards.ts';

/** The smallest card that says something, of a host that is in no other test. */
const CARD = {
  format: 'refenestra-host-card/1',
  id: 'tinhorn',
  name: 'Tinhorn',
  updated: '2026-01-01',
  origins: { share: ['https://tinhorn.example'], frame: ['https://play.tinhorn.example'] },
  identifiers: { id: { name: 'tune', shape: '[a-z]{3}', words: 'three letters', example: 'abc' } },
  targets: {
    tune: {
      kind: 'audio',
      scope: 'item',
      id: ['id'],
      canonical: 'https://tinhorn.example/t/{id}',
      frame: 'https://play.tinhorn.example/{id}',
      fit: { by: 'ratio', ratio: '3:1', width: 300 },
      allow: [],
    },
  },
  links: [
    { id: 'page', name: 'page', target: 'tune', on: ['share'], path: '/t/:id', examples: ['https://tinhorn.example/t/abc'] },
  ],
};

type Change = (card: typeof CARD & Record<string, unknown>) => void;
const load = (change: Change) => {
  const card = structuredClone(CARD);
  change(card);
  return loadCards([{ name: 'tinhorn.json', text: JSON.stringify(card) }]);
};
const bookWith = (change: Change) => makeBook(load(change).cards);

describe('a card that is wrong is refused at the place of the error', () => {
  test.each<[string, Change, string, string]>([
    ['another format', (c) => (c.format = 'card/9'), 'format', 'refenestra-host-card/1'],
    ['a date that is none', (c) => (c.updated = 'spring'), 'updated', 'date'],
    ['an origin with a path', (c) => (c.origins.share = ['https://tinhorn.example/t']), 'origins.share[0]', 'scheme and host'],
    ['an origin of another scheme', (c) => (c.origins.share = ['file://tinhorn']), 'origins.share[0]', 'scheme and host'],
    ['a group of origins that is not there', (c) => (c.links[0]!.on = ['short']), 'links[0].on', 'no "short" origins'],
    ['a target that is not there', (c) => (c.links[0]!.target = 'song'), 'links[0].target', 'no target is called "song"'],
    ['a capture without a shape', (c) => (c.links[0]!.path = '/t/:id/:key'), 'links[0]', '"key" is captured'],
    ['a shape that could be slow', (c) => (c.identifiers.id.shape = '(a+)+'), 'identifiers.id.shape', 'classes such as'],
    ['a kind that is none', (c) => (c.targets.tune.kind = 'smell'), 'targets.tune.kind', 'video'],
    ['a link form without an example', (c) => (c.links[0]!.examples = []), 'links[0].examples', '>=1'],
    ['a frame that is code', (c) => (c.targets.tune.frame = 'javascript:alert({id})'), 'targets.tune.frame', 'http://'],
    ['a frame whose scheme is put in', (c) => (c.targets.tune.frame = '{id}:x'), 'targets.tune.frame', 'http://'],
    ['a canonical link of another scheme', (c) => (c.targets.tune.canonical = 'data:{id}'), 'targets.tune.canonical', 'http://'],
    ['a template that is none', (c) => (c.targets.tune.frame = 'https://tinhorn.example/{id'), 'targets.tune.frame', 'braces'],
    ['names that adjoin', (c) => (c.links[0]!.path = '/t/:id{:id}'), 'links[0].path', 'text between'],
    [
      'script code that runs by an attribute',
      (c) =>
        Object.assign(c.targets.tune, {
          script: { src: 'https://tinhorn.example/x.js', element: 'div', attributes: { onclick: 'x()' } },
        }),
      'targets.tune.script.attributes.onclick',
      'runs code',
    ],
    [
      'script code that leads to code',
      (c) =>
        Object.assign(c.targets.tune, {
          script: { src: 'https://tinhorn.example/x.js', element: 'a', attributes: { href: 'JavaScript:x()' } },
        }),
      'targets.tune.script.attributes.href',
      'run code',
    ],
    [
      'a setting in an attribute that runs code',
      (c) => (c.settings = { loop: { in: 'attribute', name: 'onload', spelling: { form: 'text' } } }),
      'settings.loop.name',
      'runs code',
    ],
    ['a part that is none', (c) => (c.sparkle = true), '', 'sparkle'],
  ])('%s', (_, change, place, words) => {
    const { cards, problems } = load(change);
    expect(cards).toEqual([]);
    expect(problems.map((p) => p.place)).toContain(place);
    expect(problems.map((p) => p.message).join()).toContain(words);
  });

  test('names that every object has are names like others', () => {
    const { cards, problems } = load((c) => {
      c.id = 'constructor';
      const target = {
        ...c.targets.tune,
        id: ['constructor'],
        canonical: 'https://tinhorn.example/t/{constructor}',
        frame: '/{constructor}{hasOwnProperty}',
      };
      Object.assign(c, { identifiers: { constructor: { ...c.identifiers.id } }, targets: { valueOf: target } });
      c.links[0]!.target = 'valueOf';
      c.links[0]!.path = '/t/:constructor';
    });
    expect(problems).toEqual([]);
    const { item } = bringIn('https://tinhorn.example/t/abc', makeBook(cards))[0]!;
    expect(item).toMatchObject({ id: 'abc', frame: 'https://play.tinhorn.example/abc' });
    expect(
      bringIn(
        '<iframe src="https://tinhorn.example/t/abc" constructor="x" referrerpolicy="constructor" toString></iframe>',
        makeBook(cards),
      )[0]!.item,
    ).toBeDefined();
    const gone = load((c) => ((c.links[0]!.target = 'constructor'), (c.links[0]!.path = '/t/:constructor')));
    expect(gone.problems.map(({ place }) => place)).toEqual(['links[0].target', 'links[0]']);
  });

  test('and as it stands, it is right', () => expect(load(() => undefined).problems).toEqual([]));
});

describe('a card is all that a host needs', () => {
  test('its links are recognised, with and without the last slash', () => {
    const book = bookWith(() => undefined);
    for (const link of ['https://tinhorn.example/t/abc', 'https://tinhorn.example/t/abc/'])
      expect(bringIn(link, book)[0]!.item).toMatchObject({
        host: 'tinhorn',
        id: 'abc',
        frame: 'https://play.tinhorn.example/abc',
      });
  });

  test.each([
    ['seconds', 75, 'from=75'],
    ['milliseconds', 75, 'from=75000'],
    ['units', 75, 'from=1m15s'],
    ['clock', 75, 'from=1%3A15'],
    ['iso8601', 75, 'from=PT1M15S'],
  ])('times are spelt as %s, in the query', (form, start, spelt) => {
    const book = bookWith((c) => (c.settings = { start: { in: 'query', name: 'from', spelling: { form } } }));
    const { item } = bringIn('https://tinhorn.example/t/abc', book)[0]!;
    expect(makeEmbed(item!, { start }, { book, site: null, form: 'responsive', facts: {} }).code.text).toContain(`abc?${spelt}"`);
  });

  test('a setting may stand in the fragment, behind what is in the query', () => {
    const book = bookWith((c) => {
      c.links.push({ ...c.links[0]!, id: 'frame', on: ['frame'], path: '/:id', framed: true } as never);
      c.settings = {
        start: { in: 'fragment', name: 'at', spelling: { form: 'units' } },
        accent: { in: 'query', name: 'tint', spelling: { form: 'hex' } },
      };
    });
    const { item } = bringIn('https://tinhorn.example/t/abc', book)[0]!;
    const { code } = makeEmbed(item!, { start: 75, accent: '#2f6f7e' }, { book, site: null, form: 'responsive', facts: {} });
    expect(code.text).toContain('src="https://play.tinhorn.example/abc?tint=2f6f7e#at=1m15s"');
    expect(bringIn(code.text, book)[0]!.item!.settings).toMatchObject({ start: 75, accent: '#2f6f7e' });
  });

  test('of two forms that fit, the more specific one wins, however they are ordered', () => {
    const book = bookWith((c) => {
      c.identifiers = { ...c.identifiers, any: { name: 'any', shape: '[a-z]+', words: 'letters', example: 'x' } } as never;
      c.links.unshift({ ...c.links[0]!, id: 'wide', path: '/:any/:id' });
    });
    expect(bringIn('https://tinhorn.example/t/abc', book)[0]!.item?.form).toBe('page');
    expect(bringIn('https://tinhorn.example/u/abc', book)[0]!.item?.form).toBe('wide');
  });

  test('of two cards with one id, the later holds', () => {
    const first = load(() => undefined).cards[0] as HostCard;
    const book = makeBook([first, { ...first, name: 'Tinhorn the second' }]);
    expect(book.byId.get('tinhorn')!.card.name).toBe('Tinhorn the second');
  });
});
