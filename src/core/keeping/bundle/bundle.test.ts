import fc from 'fast-check';
import { strToU8, zipSync } from 'fflate';
import { describe, expect, test } from 'vitest';
import { cards, runs, sites } from '../../../laws/world.ts';
import { savedSchema, type SavedEmbed } from '../shelf/saved.ts';
import { emptyWork } from '../shelf/work.ts';
import { newOrder } from '../../order/order.ts';
import { emptyStyle } from '../../known/styles/style.ts';
import { pack, unpack, type Bundle } from './bundle.ts';
import { BUNDLE_VERSION, EMBEDS_ALONE } from './version.ts';
import { merge, planMerge, stepKey } from './merge.ts';

const embed = (id: string, part: Partial<SavedEmbed> = {}): SavedEmbed =>
  savedSchema.parse({
    id,
    title: `Of ${id}`,
    host: 'lanternreel',
    kind: 'video',
    made: 1,
    changed: 10,
    work: { ...emptyWork('mill', id), text: 'x', style: {} },
    code: `<i>${id}</i>`,
    ...part,
  });
const bundle = (part: Partial<Bundle> = {}): Bundle => ({
  format: 'refenestra-bundle',
  version: BUNDLE_VERSION,
  made: '2026-11-23T20:00:00.000Z',
  embeds: [],
  ...EMBEDS_ALONE,
  ...part,
});
const PICTURE = `data:image/webp;base64,${btoa('\0\x01\xfe\xff picture')}`;

describe('a bundle', () => {
  const whole = bundle({
    embeds: [embed('a'), embed('b')],
    versions: [{ id: 'v', embed: 'a', taken: 5, code: 'c', work: embed('a').work }],
    sites: [...sites],
    styles: [emptyStyle('mill')],
    preferences: [
      { name: 'theme', value: 'night' },
      { name: 'searches', value: ['kind=video&words=ferry'] },
    ],
    lessons: [
      { id: 'quern', examples: [{ link: 'https://media.example/see/k1a44' }], putRight: { dropped: [], parts: [], edges: [] } },
    ],
    orders: [
      {
        changed: 7,
        order: newOrder('talks', { name: 'Talks' }),
        placed: [{ address: 'https://tidemill.example/talks', since: 8 }],
        versions: [{ taken: 6, order: newOrder('talks', { name: 'Talk' }) }],
      },
    ],
    pictures: [{ id: 'a', address: PICTURE }],
  });

  test('is read back as it was written, byte for byte, pictures included', () => {
    expect(unpack(pack(whole))).toEqual({ bundle: whole, damaged: [] });
    expect(pack(whole)).toEqual(pack(whole));
  });

  const zip = (content: unknown): Uint8Array => zipSync({ 'bundle.json': strToU8(JSON.stringify(content)) });
  test.each([
    ['noZip', strToU8('PK no')],
    ['noBundle', zipSync({ 'readme.txt': strToU8('x') })],
    ['newer', zip({ ...whole, version: BUNDLE_VERSION + 1 })],
    ['newer', zipSync({ 'manifest.json': strToU8(JSON.stringify({ ...bundle(), version: BUNDLE_VERSION + 1 })) })],
    ['broken', zipSync({ 'bundle.json': strToU8('['.repeat(5000)) })],
    ['tooLarge', zipSync({ 'bundle.json': new Uint8Array(40_000_000) })],
    ['broken', zip({ ...whole, embeds: [{ id: 'a' }] })],
    ['broken', zipSync({ 'bundle.json': strToU8('{') })],
  ])('is refused: %s', (code, bytes) => expect(unpack(bytes)).toMatchObject({ refusal: { code } }));

  test('of the first version is taken as it was meant', () => {
    const { preferences, pictures, lessons, orders, ...first } = { ...whole, version: 1 };
    expect([preferences.length, pictures.length, lessons.length, orders.length]).toEqual([2, 1, 1, 1]);
    expect(unpack(zip(first))).toEqual({
      bundle: { ...whole, preferences: [], lessons: [], orders: [], pictures: [] },
      damaged: [],
    });
  });

  test('takes no file that does not belong to it', () => {
    const files = {
      'bundle.json': strToU8(JSON.stringify({ ...bundle(), version: 2, pictures: undefined })),
      'pictures/../../x.webp': strToU8('x'),
    };
    expect(unpack(zipSync(files))).toEqual({ bundle: bundle(), damaged: [] });
  });

  test('that is damaged anywhere is never taken as good', () => {
    const packed = pack(whole);
    const damage = fc.oneof(
      fc.record({ at: fc.nat({ max: packed.length - 1 }), bit: fc.nat({ max: 7 }) }).map(({ at, bit }) => {
        const flipped = packed.slice();
        flipped[at]! ^= 1 << bit;
        return flipped;
      }),
      fc.nat({ max: packed.length - 1 }).map((end) => packed.slice(0, end)),
      fc.nat({ max: packed.length - 1 }).map((from) => packed.slice(from)),
      fc.tuple(fc.nat({ max: packed.length - 9 }), fc.uint8Array({ minLength: 1, maxLength: 8 })).map(([at, bytes]) => {
        const written = packed.slice();
        written.set(bytes, at);
        return written;
      }),
    );
    fc.assert(
      fc.property(damage, (bytes) => {
        const read = unpack(bytes);
        if ('refusal' in read) return;
        const { bundle: taken, damaged } = read;
        if (damaged.length === 0) expect(taken).toEqual(whole);
        for (const [part, things] of Object.entries(taken)) {
          const kept =
            part === 'pictures' ? !damaged.some((name) => name.startsWith('pictures/')) : !damaged.includes(`${part}.json`);
          if (kept) expect(things).toEqual(whole[part as keyof Bundle]);
          else expect(things).toEqual([]);
        }
      }),
      runs(2000),
    );
  });

  test('takes no setting with a value that the setting does not take, and says where it stands', () => {
    const wrong = { ...embed('a'), work: { ...embed('a').work, changes: { ratio: '16:9;x:[y]' } } } as SavedEmbed;
    expect(unpack(pack({ ...bundle(), embeds: [wrong] }))).toMatchObject({
      refusal: { code: 'broken', place: 'embeds.0.work.changes.ratio' },
    });
  });
});

describe('taking a bundle in', () => {
  const mine = bundle({ embeds: [embed('same'), embed('old', { tags: ['mine'] }), embed('new', { changed: 99 })] });
  const theirs = bundle({
    embeds: [
      embed('same'),
      embed('old', { changed: 20, code: 'theirs', tags: ['theirs'] }),
      embed('new', { code: 'older' }),
      embed('more'),
    ],
  });
  const steps = planMerge(theirs, mine);

  test('is told before it is done', () =>
    expect(steps.map(({ id, what, newer }) => [id, what, newer])).toEqual([
      ['same', 'keep', undefined],
      ['old', 'change', true],
      ['new', 'change', false],
      ['more', 'add', undefined],
    ]));

  test('takes what is chosen, keeps what it replaces as a version, and tags of both', () => {
    const made = merge(theirs, mine, new Set([steps[1]!, steps[3]!].map(stepKey)));
    expect(made.embeds.map(({ id, code }) => [id, code])).toEqual([
      ['old', 'theirs'],
      ['more', '<i>more</i>'],
    ]);
    expect(made.embeds[0]!.tags).toEqual(['theirs', 'mine']);
    expect(made.versions).toMatchObject([{ embed: 'old', code: '<i>old</i>', taken: 10 }]);
  });

  test('brings what a card was learnt from with the card, and only with it', () => {
    const lesson = {
      id: cards[0]!.id,
      examples: [{ link: 'https://media.example/see/k1a44' }],
      putRight: { dropped: [], parts: [], edges: [] },
    };
    const taught = bundle({ cards: [cards[0]!], lessons: [lesson] });
    const all = planMerge(taught, bundle()).map(stepKey);
    expect(merge(taught, bundle(), new Set(all)).lessons).toEqual([lesson]);
    expect(merge(taught, bundle(), new Set()).lessons).toEqual([]);
  });

  test('of two running orders the newer is proposed, and the other is taken only where it is chosen', () => {
    const order = (changed: number, name: string) => ({
      changed,
      order: newOrder('talks', { name }),
      placed: [],
      versions: [],
    });
    const steps = planMerge(bundle({ orders: [order(9, 'Theirs')] }), bundle({ orders: [order(4, 'Mine')] }));
    expect(steps).toEqual([{ part: 'orders', id: 'talks', name: 'Theirs', what: 'change', newer: true }]);
    const taken = (chosen: string[]) => merge(bundle({ orders: [order(9, 'Theirs')] }), bundle(), new Set(chosen)).orders;
    expect(taken(steps.map(stepKey))).toEqual([order(9, 'Theirs')]);
    expect(taken([])).toEqual([]);
  });

  test('loses nothing, whatever is here and there', () => {
    // Two of the longest ids that differ at their very end, and a short one.
    const ids = ['a', `${'i'.repeat(59)}1`, `${'i'.repeat(59)}2`];
    const words = fc.tuple(fc.nat(60), fc.nat(40)).map(([from, many]) => Array.from({ length: many }, (_, i) => `${from + i}`));
    const one = (id: string) =>
      fc
        .record({ code: fc.constantFrom('', 'x', 'y', 'z'), changed: fc.nat(3), revision: fc.nat(2), tags: words, pages: words })
        .map(({ pages, ...part }) =>
          embed(id, { ...part, placed: pages.map((page) => ({ address: `http://mill.example/${page}`, since: 1 })) }),
        );
    const some = fc
      .tuple(...ids.map((id) => fc.option(one(id), { nil: undefined })))
      .map((embeds) => bundle({ embeds: embeds.filter((e) => e !== undefined) }));
    fc.assert(
      fc.property(some, some, (here, there) => {
        const made = merge(there, here, new Set(planMerge(there, here).map(stepKey)));
        // What could not be read back could not be kept either.
        expect(unpack(pack(made))).toEqual({ bundle: made, damaged: [] });
        const after = new Map([...here.embeds, ...made.embeds].map((e) => [e.id, e]));
        expect([...after.keys()].sort()).toEqual([...new Set([...here.embeds, ...there.embeds].map(({ id }) => id))].sort());
        expect(new Set(made.versions.map(({ id }) => id)).size).toBe(made.versions.length);
        for (const { id, code, placed } of [...here.embeds, ...there.embeds]) {
          const now = after.get(id)!;
          const codes = [now.code, ...made.versions.filter((v) => v.embed === id).map((v) => v.code), ''];
          expect(codes).toContain(code);
          expect(now.placed.map(({ address }) => address)).toEqual(expect.arrayContaining(placed.map(({ address }) => address)));
        }
        for (const { id, tags } of there.embeds) expect(after.get(id)!.tags).toEqual(expect.arrayContaining(tags));
      }),
    );
  });

  test('twice changes nothing the second time', () => {
    const once = merge(theirs, bundle(), new Set(planMerge(theirs, bundle()).map(stepKey)));
    expect(planMerge(theirs, once).every(({ what }) => what === 'keep')).toBe(true);
  });
});
