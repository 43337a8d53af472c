import fc from 'fast-check';
import { describe, expect, test } from 'vitest';
import { examplesOf, isSaid, makeHost, type Asked } from '../../laws/hosts.ts';
import { runs } from '../../laws/world.ts';
import { cardSchema } from '../known/hosts/card.ts';
import { makeBook } from '../known/hosts/book.ts';
import type { Settings } from '../known/settings/list.ts';
import { bringIn, keepEmbed } from '../pipeline.ts';
import { learn } from './learn.ts';
import { frameOf } from './reproduce.ts';

const today = '2026-11-26';
const [see, play] = ['https://media.example/see', 'https://play.media.example'];
type Shown = readonly [link: string | undefined, frame: string | undefined, settings?: Settings];

/** Two items with plain codes, as most ways of hosts begin. */
const plain: Shown[] = [
  [`${see}/k1a`, `${play}/k1a`],
  [`${see}/z9b`, `${play}/z9b`],
];
const examplesFor = (shown: readonly Shown[]) =>
  shown.map(([link, frame, settings]) => ({
    ...(link !== undefined && { link }),
    ...(frame !== undefined && { code: `<iframe src="${frame}" width="640" height="360"></iframe>` }),
    ...(settings && { settings }),
  }));

describe('ways of hosts', () => {
  test.each<[string, Shown[], [link: string, settings: Settings, frame: string][]]>([
    [
      'a constant that a setting replaces',
      [
        [`${see}/k1a`, `${play}/k1a?bars=1&v=2`],
        [`${see}/z9b`, `${play}/z9b?bars=1&v=2`],
        [`${see}/k1a`, `${play}/k1a?bars=0&v=2`, { controls: 'off' }],
      ],
      [
        [`${see}/n3w`, { controls: 'off' }, `${play}/n3w?v=2&bars=0`],
        [`${see}/n3w`, {}, `${play}/n3w?bars=1&v=2`],
      ],
    ],
    [
      'another domain',
      [...plain, [`${see}/k1a`, 'https://quiet.media.example/k1a', { tracking: 'reduced' }]],
      [[`${see}/n3w`, { tracking: 'reduced' }, 'https://quiet.media.example/n3w']],
    ],
    [
      'a word of the path replaced',
      [
        [`${see}/k1a`, `${play}/std/k1a`],
        [`${see}/z9b`, `${play}/std/z9b`],
        [`${see}/k1a`, `${play}/dark/k1a`, { theme: 'dark' }],
      ],
      [
        [`${see}/n3w`, { theme: 'dark' }, `${play}/dark/n3w`],
        [`${see}/n3w`, {}, `${play}/std/n3w`],
      ],
    ],
    [
      'two kinds that spell one setting otherwise',
      [
        [`${see}/k1a`, `${play}/f/k1a`],
        [`${see}/z9b`, `${play}/f/z9b`],
        ['https://media.example/hear/q4c', `${play}/a/q4c`],
        ['https://media.example/hear/w5d', `${play}/a/w5d`],
        [`${see}/k1a`, `${play}/f/k1a?from=72`, { start: 72 }],
        ['https://media.example/hear/q4c', `${play}/a/q4c?t=72000`, { start: 72 }],
      ],
      [
        [`${see}/n3w`, { start: 80 }, `${play}/f/n3w?from=80`],
        ['https://media.example/hear/n3w', { start: 80 }, `${play}/a/n3w?t=80000`],
      ],
    ],
    [
      'a word behind the identifier',
      [...plain, [`${see}/k1a`, `${play}/k1a,mute`, { mute: 'on' }]],
      [[`${see}/n3w`, { mute: 'on' }, `${play}/n3w,mute`]],
    ],
    [
      'a time in the path',
      [...plain, [`${see}/k1a`, `${play}/k1a/72`, { start: 72 }]],
      [[`${see}/n3w`, { start: 90 }, `${play}/n3w/90`]],
    ],
    [
      'names that deny',
      [
        ...plain,
        [`${see}/k1a`, `${play}/k1a?nobars`, { controls: 'off' }],
        [`${see}/k1a`, `${play}/k1a?sound=0`, { mute: 'on' }],
      ],
      [[`${see}/n3w`, { controls: 'off', mute: 'on' }, `${play}/n3w?sound=0&nobars`]],
    ],
    [
      'a time that links carry too',
      [...plain, [`${see}/k1a?t=72`, `${play}/k1a?start=72`, { start: 72 }]],
      [[`${see}/n3w?t=90`, { start: 90 }, `${play}/n3w?start=90`]],
    ],
    [
      'a code without its link',
      [...plain, [undefined, `${play}/k1a?run=1`, { autoplay: 'on' }]],
      [[`${see}/n3w`, { autoplay: 'on' }, `${play}/n3w?run=1`]],
    ],
    [
      'codes behind a link with its code',
      [
        [`${see}/k1a44`, `${play}/k1a44`],
        [undefined, `${play}/k1a44?run=1`, { autoplay: 'on' }],
        [`${see}/z9b55`, `${play}/z9b55`],
        [undefined, `${play}/z9b55?from=72`, { start: 72 }],
      ],
      [[`${see}/n3w`, { autoplay: 'on', start: 90 }, `${play}/n3w?run=1&from=90`]],
    ],
    [
      'links and codes apart',
      [
        [`${see}/k1a44`, undefined],
        [`${see}/z9b55`, undefined],
        [undefined, `${play}/k1a44`],
        [undefined, `${play}/z9b55`],
      ],
      [[`${see}/n3w`, {}, `${play}/n3w`]],
    ],
    [
      'no plain code at all',
      [
        [`${see}/k1a`, `${play}/k1a?run=1`, { autoplay: 'on' }],
        [`${see}/z9b`, `${play}/z9b?from=72`, { start: 72 }],
      ],
      [
        [`${see}/n3w`, {}, `${play}/n3w`],
        [`${see}/n3w`, { start: 90 }, `${play}/n3w?from=90`],
      ],
    ],
    [
      'numbers with signs between',
      [
        ['https://media.example/at/51.5,-0.12,15z', 'https://media.example/frame?at=51.5%2C-0.12&z=15'],
        ['https://media.example/at/48.85,2.35,12z', 'https://media.example/frame?at=48.85%2C2.35&z=12'],
        ['https://media.example/at/40.7,-74.01,9z', 'https://media.example/frame?at=40.7%2C-74.01&z=9'],
      ],
      [['https://media.example/at/52.37,4.9,11z', {}, 'https://media.example/frame?at=52.37%2C4.9&z=11']],
    ],
    [
      'a list that repeats its parameter',
      [...plain, [`${see}/k1a`, `${play}/k1a?show=transcript&show=topics`, { panels: 'transcript,topics' }]],
      [[`${see}/n3w`, { panels: 'topics,people' }, `${play}/n3w?show=topics&show=people`]],
    ],
    [
      'a word that one form of link has and another has not',
      [
        ['https://media.example/scan/k1a', `${play}/scan/k1a`],
        ['https://media.example/scan/z9b', `${play}/scan/z9b`],
        ['https://me.example/k1a', `${play}/scan/k1a`],
        ['https://me.example/z9b', `${play}/scan/z9b`],
      ],
      [
        ['https://media.example/scan/n3w', {}, `${play}/scan/n3w`],
        ['https://me.example/n3w', {}, `${play}/scan/n3w`],
      ],
    ],
    [
      'an inner number that no link holds: the frames stand for themselves',
      [
        ['https://media.example/?e=aaaa-1', `${play}/x/9911`],
        ['https://media.example/?e=bbbb-2', `${play}/x/7755`],
        ['https://media.example/?e=aaaa-1', `${play}/x/9911?run=1`, { autoplay: 'on' }],
      ],
      [[`${play}/x/555`, { autoplay: 'on' }, `${play}/x/555?run=1`]],
    ],
  ])('%s', (_, shown, made) => {
    const { card } = learn(examplesFor(shown), { today });
    const book = makeBook([card!]);
    for (const [link, settings, frame] of made) expect(frameOf(link, settings, book)).toBe(frame);
  });

  test.each([
    ['?auto=1&quiet=1', { autoplay: 'on', mute: 'on' }, ['auto', 'quiet']],
    ['/hush,round', { mute: 'on', loop: 'on' }, ['hush', 'round']],
    ['?opts=hush:1;from:72', { mute: 'on', start: 72 }, ['hush', 'from']],
    ['?auto=1&q=1', { autoplay: 'on', mute: 'on' }, ['auto', 'q']],
  ] as const)('two things set in one code are told apart by their names: %s', (more, settings, names) => {
    const { card, facts, unexplained } = learn(examplesFor([...plain, [`${see}/k1a`, `${play}/k1a${more}`, settings]]), {
      today,
    });
    expect(unexplained).toEqual([]);
    const used = Object.keys(settings).map((id) => card!.settings[id as 'mute']);
    expect(used).toMatchObject(names.map((name) => ({ name })));
    for (const id of ['mute', 'autoplay', 'loop'])
      expect(facts).not.toContainEqual(expect.objectContaining({ at: `/settings/${id}`, certainty: 'certain' }));
  });

  test('links of two forms that make one frame are of one target', () => {
    const { card } = learn(
      examplesFor([
        ['https://media.example/#/scan/k1a', `${play}/scan/k1a`],
        ['https://media.example/#/scan/z9b', `${play}/scan/z9b`],
        ['https://me.example/k1a', `${play}/scan/k1a`],
        ['https://me.example/z9b', `${play}/scan/z9b`],
      ]),
      { today },
    );
    expect(Object.values(card!.targets)).toMatchObject([{ id: ['id'], frame: `${play}/scan/{id}` }]);
  });

  test('two things of which nothing tells which is which are left open', () => {
    const shown = examplesFor([...plain, [`${see}/k1a`, `${play}/k1a?x=1&y=1`, { autoplay: 'on', mute: 'on' }]]);
    const { card, unexplained } = learn(shown, { today });
    expect([card!.settings, unexplained]).toEqual([{}, [{ example: shown.length - 1, why: 'notSeen' }]]);
  });

  test('links that say less than their frames are asked of their pages, and told so', () => {
    const { card, facts } = learn(
      examplesFor([
        ['https://media.example/?e=aaaa-1', `${play}/x/9911`],
        ['https://media.example/?e=bbbb-2', `${play}/x/7755`],
      ]),
      { today },
    );
    expect(card!.asks).toEqual(['https://media.example']);
    expect(facts).toContainEqual({ at: '/asks', certainty: 'likely', from: expect.arrayContaining([]) as number[] });
    const taught = makeBook([card!]);
    expect(bringIn('https://media.example/?e=cccc-3', taught)[0]!.item).toMatchObject({ plain: true, asks: 'Media' });
    expect(bringIn(`${play}/x/1234`, taught)[0]!.item).toMatchObject({ host: 'media' });
    expect(bringIn('https://elsewhere.example/', taught)[0]!.item!.asks).toBeUndefined();
    const makers = Array.from({ length: 25 }, (_, i) => [`https://m${i}.media.example/s/${i}a`, `${play}/x/99${i}1`] as const);
    expect(learn(examplesFor(makers), { today }).card!.asks).toEqual(['https://*.media.example']);
  });

  test('a card learnt again keeps what was said by hand, and takes what examples show', () => {
    const first = learn(examplesFor([...plain, [`${see}/k1a`, `${play}/k1a?from=72`, { start: 72 }]]), { today });
    const before = cardSchema.parse({
      ...first.card,
      name: 'Media of ours',
      settings: {
        start: { in: 'query', name: 'old', spelling: { form: 'seconds' } },
        loop: { in: 'query', name: 'again', spelling: { form: 'words', words: { on: '1' } } },
      },
    });
    const { card, facts } = learn(examplesFor([...plain, [`${see}/k1a`, `${play}/k1a?from=72`, { start: 72 }]]), {
      today,
      before,
    });
    expect(card).toMatchObject({ name: 'Media of ours', settings: { start: { name: 'from' }, loop: { name: 'again' } } });
    expect(facts).toContainEqual({ at: '/settings/loop', certainty: 'byHand', from: [] });
  });

  test('a code of a host that was taught is read, kept and set like one of a host that was shipped', () => {
    fc.assert(
      fc.property(fc.nat({ max: 1_000_000 }), (seed) => {
        const host = makeHost(seed);
        const { card } = learn(examplesOf(host), { today });
        const book = makeBook([card!]);
        const some = (): Asked =>
          Object.fromEntries(
            host.settings.flatMap(({ id, value }) => {
              const said = value();
              return host.random() < 0.5 && isSaid(host, said) ? [[id, said]] : [];
            }),
          );
        const own = (settings: Settings): Settings =>
          Object.fromEntries(Object.entries(settings).filter(([id]) => host.settings.some((one) => one.id === id)));
        const [before, after] = [some(), some()];
        const text = host.code(host.item(), before);
        const found = bringIn(text, book).find(({ item }) => item)!;
        expect(own(found.item!.settings), `${host.about} ${text}`).toEqual(before);
        const others = Object.fromEntries(
          Object.entries(found.item!.settings).filter(([id]) => !(id in own(found.item!.settings))),
        );
        const { code } = keepEmbed(
          { text, candidate: found.candidate },
          found.item!,
          { ...others, ...after },
          { book, site: null, facts: {} },
        );
        const again = bringIn(code.text, book).find(({ item }) => item)!;
        expect(own(again.item!.settings), `${host.about} ${code.text}`).toEqual(after);
        expect(again.item!.canonical).toBe(found.item!.canonical);
      }),
      runs(150),
    );
  });
});
