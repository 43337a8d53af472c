import fc from 'fast-check';
import { runs } from '../../laws/world.ts';
import { examplesOf, isSaid, makeHost, type Asked, type MadeHost, type MadeItem } from '../../laws/hosts.ts';
import { makeBook } from '../known/hosts/book.ts';
import { cardSchema } from '../known/hosts/card.ts';
import type { SettingId } from '../known/settings/list.ts';
import type { SettingValue } from '../model/values.ts';
import type { Example } from './examples.ts';
import { learn, type Learnt } from './learn.ts';
import { observe, type Unexplained } from './observe.ts';
import { itemOf } from './plain.ts';
import { frameOf, madeOf, meant, reproduces, type Made } from './reproduce.ts';
import { expect, describe, test } from 'vitest';

const today = '2026-11-26';
const seed = fc.nat({ max: 1_000_000 });
const bookOf = ({ card }: Learnt) => makeBook(card ? [card] : []);

interface HeldOut {
  link: string;
  settings: Asked;
  /** What the host makes of it: the frame address, or nothing for a placeholder, and attributes of its own. */
  truth: { frame: string; attributes: Record<string, string> };
}

const truthOf = (host: MadeHost, item: MadeItem, settings: Asked = {}): HeldOut['truth'] => ({
  frame: host.frame(item, settings),
  attributes: host.attributes(item, settings),
});

/** A link that nobody brought, with some of the settings. */
function heldOut(host: MadeHost, some: number): HeldOut {
  const item = host.item();
  const settings: Partial<Record<SettingId, SettingValue>> = {};
  for (const { id, value } of host.settings) {
    const said = value();
    if (host.random() < some && isSaid(host, said)) settings[id] = said;
  }
  return { link: host.link(item), settings, truth: truthOf(host, item, settings) };
}

/** Members of one parameter may stand in any order. */
const inAnyOrder = (address: string): string =>
  meant(address)
    .replace(/[^"/\\]+(?:[,;|][^"/\\]+)+/g, (joined) => joined.split(/[,;|]/).sort().join(','))
    .replace(/(\\"f\\",\\")([a-z]+)/, (_, before: string, letters: string) => before + [...letters].sort().join(''));

const isRight = (made: Made | null, { frame, attributes }: HeldOut['truth']): boolean =>
  made !== null &&
  (frame === '' ? made.frame === null : made.frame !== null && inAnyOrder(made.frame) === inAnyOrder(frame)) &&
  JSON.stringify([...made.attributes].sort()) === JSON.stringify(Object.entries(attributes).sort());

describe('learning a host', () => {
  test('three items and one example a setting are enough for 98 % of what nobody brought', () => {
    let [right, all] = [0, 0];
    for (let i = 0; i < 500; i++) {
      const host = makeHost(i);
      const book = bookOf(learn(examplesOf(host), { today }));
      for (const some of [0, 0.5, 1]) {
        const { link, settings, truth } = heldOut(host, some);
        all++;
        if (isRight(madeOf(link, settings, book), truth)) right++;
      }
    }
    expect(right / all).toBeGreaterThanOrEqual(0.98);
  });

  test('one item and its code are enough for 80 % of links', () => {
    let [right, all] = [0, 0];
    for (let i = 0; i < 500; i++) {
      const host = makeHost(i);
      const [example] = examplesOf(host, 1);
      const book = bookOf(learn([example!], { today }));
      const item = host.item();
      all++;
      if (isRight(madeOf(host.link(item, 0), {}, book), truthOf(host, item))) right++;
    }
    expect(right / all).toBeGreaterThanOrEqual(0.8);
  });

  test('the card makes every example, or the example is named as unexplained', () => {
    fc.assert(
      fc.property(seed, (at) => {
        const host = makeHost(at);
        const examples = examplesOf(host);
        const learnt = learn(examples, { today });
        const told = new Set(learnt.unexplained.map(({ example }) => example));
        examples.forEach(({ link, code, settings }, i) => {
          if (told.has(i)) return;
          const [seen] = observe([{ link, code, settings }]).observations;
          expect(reproduces(seen!, bookOf(learnt)), `${host.about} ${link}`).toBe(true);
        });
      }),
      runs(150),
    );
  });

  test('the order of examples does not matter', () => {
    fc.assert(
      fc.property(seed, fc.infiniteStream(fc.double({ min: 0, max: 1, noNaN: true })), (at, order) => {
        const examples = examplesOf(makeHost(at));
        const shuffled = examples
          .map((example) => ({ example, at: order.next().value as number }))
          .sort((a, b) => a.at - b.at)
          .map(({ example }) => example);
        expect(learn(shuffled, { today }).card).toEqual(learn(examples, { today }).card);
      }),
      runs(100),
    );
  });

  test('an example that the card foresees changes nothing that it makes', () => {
    fc.assert(
      fc.property(seed, (at) => {
        const host = makeHost(at);
        const examples = examplesOf(host);
        const before = learn(examples, { today });
        const item = host.item();
        const more: Example = { link: host.link(item, 0), code: host.code(item) };
        if (!isRight(madeOf(more.link!, {}, bookOf(before)), truthOf(host, item))) return;
        const after = learn([...examples, more], { today });
        const { link, settings } = heldOut(host, 0.7);
        expect(madeOf(link, settings, bookOf(after)), host.about).toEqual(madeOf(link, settings, bookOf(before)));
      }),
      runs(100),
    );
  });

  test('what is certain is never wrong on what nobody brought', () => {
    fc.assert(
      fc.property(seed, (at) => {
        const host = makeHost(at);
        const learnt = learn(examplesOf(host), { today });
        const certain = new Set(learnt.facts.filter((fact) => fact.certainty === 'certain').map((fact) => fact.at));
        const everyLink = learnt.card?.links.every(({ framed }, i) => framed || certain.has(`/links/${i}`));
        if (!everyLink) return;
        const item = host.item();
        const link = host.link(item);
        // A parameter that no example had is told as not known, and kept: the card claims nothing of it.
        if (itemOf(link, bookOf(learnt))!.unknown.length > 0) return;
        expect(isRight(madeOf(link, {}, bookOf(learnt)), truthOf(host, item)), `${host.about} ${link}`).toBe(true);
        for (const { id, value } of host.settings) {
          const said = value();
          if (!certain.has(`/settings/${id}`) || !isSaid(host, said)) continue;
          const settings = { [id]: said };
          expect(
            isRight(madeOf(link, settings, bookOf(learnt)), truthOf(host, item, settings)),
            `${host.about} ${id} ${said}`,
          ).toBe(true);
        }
      }),
      runs(300),
    );
  });

  test('whatever is brought, a card passes the schema, and nothing is thrown', () => {
    const odd = fc.oneof(
      fc.string({ maxLength: 60 }),
      fc.webUrl({ withQueryParameters: true, withFragments: true }),
      fc.constantFrom(
        '<iframe src="https://play.example/{id}?a={b}"></iframe>',
        '<iframe src="javascript:x()"></iframe>',
        '<iframe src="https://play.example/x/:id/%7Bid%7D?__proto__=1&constructor=2"></iframe>',
        '<div data-id="x" onclick="y()"></div><script src="https://play.example/s.js"></script>',
        'https://media.example/see/{x}',
        'https://media.example/__proto__/constructor',
      ),
    );
    const example = fc.record(
      { link: odd, code: odd, settings: fc.constantFrom({}, { start: 72 }, { autoplay: 'on' }, { theme: 'dark' }) },
      { requiredKeys: [] },
    );
    fc.assert(
      fc.property(seed, fc.array(example, { maxLength: 6 }), (at, odds) => {
        const { card, facts, unexplained } = learn([...odds, ...examplesOf(makeHost(at)).slice(0, 4)], { today });
        if (card) expect(cardSchema.safeParse(JSON.parse(JSON.stringify(card))).success).toBe(true);
        for (const { from } of facts) for (const i of from) expect(i).toBeLessThan(odds.length + 4);
        for (const one of unexplained) expect(one.example).toBeLessThan(odds.length + 4);
      }),
      runs(200),
    );
  });
});

describe('examples that do not fit', () => {
  const pair = (id: string): Example => ({
    link: `https://quill.example/see/${id}`,
    code: `<iframe src="https://quill.example/f/${id}"></iframe>`,
  });
  const good = [pair('aa11bb'), pair('cc22dd'), pair('ee33ff')];
  test.each<[string, Example[], Unexplained[]]>([
    [
      'a link of one host with the code of another',
      [{ link: 'https://quill.example/see/zz9', code: '<iframe src="https://other.example/q/1"></iframe>' }],
      [{ example: 3, why: 'nothingShared' }],
    ],
    [
      'two hosts in one list',
      [{ link: 'https://ember.example/v/8812', code: '<iframe src="https://ember.example/e/8812"></iframe>' }],
      [{ example: 3, why: 'otherHost' }],
    ],
    ['code without a source', [{ code: '<iframe></iframe>' }], [{ example: 3, why: 'noSource' }]],
    [
      'one that contradicts the others',
      [{ link: 'https://quill.example/see/gg44hh', code: '<iframe src="https://quill.example/f/gg44hh/old"></iframe>' }],
      [{ example: 3, why: 'otherwise' }],
    ],
    ['the same twice', [pair('aa11bb')], []],
    [
      'a script of strangers beside the frame',
      [{ ...pair('hh55ii'), code: `${pair('hh55ii').code}<script src="https://stats.example/count.js"></script>` }],
      [{ example: 3, why: 'runsBesides', part: 'stats.example' }],
    ],
    [
      'a frame that runs something',
      [{ ...pair('hh55ii'), code: pair('hh55ii').code!.replace('<iframe', '<iframe onload="go()"') }],
      [{ example: 3, why: 'runsBesides', part: 'onload' }],
    ],
    ['a setting that changes nothing', [{ ...pair('aa11bb'), settings: { autoplay: 'on' } }], [{ example: 3, why: 'notSeen' }]],
  ])('%s', (_, more, told) => {
    const { card, unexplained } = learn([...good, ...more], { today });
    expect(unexplained).toEqual(told);
    expect(frameOf('https://quill.example/see/new123', {}, makeBook([card!]))).toBe('https://quill.example/f/new123');
  });

  test('a placeholder whose script is of another host is learnt, and told; what runs in it is left out', () => {
    const of = (id: string) => ({
      link: `https://quill.example/see/${id}`,
      code: `<div data-item="${id}" onclick="go()"></div><script src="https://parts.example/fill.js"></script>`,
    });
    const { card, unexplained } = learn([of('aa11bb'), of('cc22dd')], { today });
    expect(Object.keys(Object.values(card?.targets ?? {})[0]?.script?.attributes ?? {})).toEqual(['data-item']);
    expect(unexplained.filter(({ example }) => example === 0)).toEqual([
      { example: 0, why: 'runsBesides', part: 'onclick' },
      { example: 0, why: 'scriptElsewhere', part: 'parts.example' },
    ]);
  });

  test('nothing at all asks for a pair', () => {
    expect(learn([], { today })).toEqual({ card: null, facts: [], questions: [{ code: 'bringPair' }], unexplained: [] });
  });

  test('a code that has more than the plain one is asked about, with what it most likely does', () => {
    const more = { code: '<iframe src="https://quill.example/f/aa11bb?auto=1"></iframe>' };
    const { questions, unexplained } = learn([...good, more], { today });
    expect(unexplained).toEqual([{ example: 3, why: 'asked' }]);
    expect(questions[0]).toEqual({
      code: 'whatDoes',
      example: 3,
      parts: [{ name: 'auto', text: '1', likely: [{ setting: 'autoplay', value: 'on' }] }],
    });
  });
});
