import fc from 'fast-check';
import { describe, expect, test } from 'vitest';
import { KINDS } from '../../model/kind.ts';
import { SETTINGS } from '../../known/settings/list.ts';
import { sites } from '../../../laws/world.ts';
import { aimedAt } from './aim.ts';
import { nextLike } from './next.ts';
import { savedSchema, stateOf, STATES } from './saved.ts';
import { entryOf, narrowingOf, NO_NARROWING, queryOf, search, type Narrowing } from './search.ts';
import { FORMS, type CodeFormId } from '../../steps/write/forms/list.ts';
import { emptyWork, type Work } from './work.ts';

const [mill, bakehouse] = sites as [(typeof sites)[0], (typeof sites)[0]];
const work: Work = {
  ...emptyWork(mill.id, 'a'),
  text: 'x',
  form: 'responsive',
  style: { related: 'same' },
  changes: { start: 42, autoplay: 'on', accent: '#2f6f7e', width: 340, title: 'Own' },
};

describe('another site', () => {
  test('changes what belongs to the site, and leaves what belongs to the item', () =>
    expect(aimedAt(work, mill, bakehouse)).toEqual({
      ...work,
      site: bakehouse.id,
      form: bakehouse.form,
      style: null,
      changes: { start: 42, autoplay: 'on', title: 'Own' },
    }));

  test('keeps a form that was chosen, where it survives there', () => {
    const own = { ...work, form: 'link' } as const;
    expect(aimedAt(own, mill, { ...bakehouse, keeps: [] }).form).toBe('link');
    expect(aimedAt(own, mill, { ...bakehouse, keeps: ['fixed'] }).form).toBe(bakehouse.form);
  });
});

describe('whatever was set', () => {
  const value = fc.oneof(fc.nat(500), fc.constantFrom('on', 'off', 'same', '16:9', '#2f6f7e'), fc.constant(null));
  const changes = fc.dictionary(fc.constantFrom(...SETTINGS.map(({ id }) => id)), value, { maxKeys: 12 });
  const form = fc.constantFrom<CodeFormId>(...FORMS.map(({ id }) => id));
  const place = fc.record({ id: fc.constantFrom('here', 'there'), form, keeps: fc.subarray(FORMS.map(({ id }) => id)) });
  const site = place.map((part) => ({ ...mill, ...part }));

  test('aiming it at other sites and back leaves the item’s own, in a form that the site keeps', () => {
    fc.assert(
      fc.property(changes, form, site, site, (set, shape, here, there) => {
        const before: Work = { ...work, changes: set, form: shape, site: here.id };
        const once = aimedAt(before, here, there);
        expect(Object.entries(set)).toEqual(expect.arrayContaining(Object.entries(once.changes)));
        expect(aimedAt(aimedAt(once, there, here), here, there).changes).toEqual(once.changes);
        expect({ ...once, changes: 0, form: 0, site: 0, style: 0 }).toEqual({
          ...before,
          changes: 0,
          form: 0,
          site: 0,
          style: 0,
        });
        expect([there.form, ...(there.keeps.length > 0 ? there.keeps : [shape])]).toContain(once.form);
      }),
    );
  });

  test('the next one has nothing of this one’s own, and the next after it is the same', () => {
    fc.assert(
      fc.property(changes, fc.constantFrom(...KINDS), (set, kind) => {
        const next = nextLike({ ...work, changes: set }, kind, 'b');
        for (const own of ['title', 'start', 'end', 'page', 'cover', 'caption']) expect(next.changes).not.toHaveProperty(own);
        expect(nextLike({ ...next, text: 'y' }, kind, 'b')).toEqual(next);
      }),
    );
  });
});

test('the next one is like the last in everything but what was its own', () =>
  expect(nextLike(work, 'video', 'b')).toEqual({
    ...work,
    id: 'b',
    text: '',
    changes: { autoplay: 'on', accent: '#2f6f7e', width: 340 },
  }));

describe('the search', () => {
  const day = (text: string): number => new Date(text).getTime();
  const entry = (id: string, part: object) =>
    entryOf(
      savedSchema.parse({
        id,
        title: id,
        host: 'lanternreel',
        kind: 'video',
        made: 1,
        changed: day('2026-11-20T12:00'),
        work,
        ...part,
      }),
      { host: () => 'Lanternreel', site: () => 'Quillmarsh Tide Mill' },
    );
  const entries = [
    entry('Écluse', { tags: ['tides'], look: ['tooWide'] }),
    entry('Ferry', {
      stage: 'placed',
      placed: [{ address: 'http://a.example/crossing', since: 1 }],
      changed: day('2026-11-23T23:59'),
    }),
    entry('Bell', { host: 'murmurfold', kind: 'audio', item: 'http://m.example/bell' }),
  ];
  const found = (part: Partial<Narrowing>): string[] =>
    search(entries, { ...NO_NARROWING, ...part }).map(({ embed }) => embed.title);

  test.each<[string, Partial<Narrowing>, string[]]>([
    ['a word without its accents', { text: 'ecluse' }, ['Écluse']],
    ['several words, in any order and place', { text: 'LANTERN tides mill' }, ['Écluse']],
    ['a page on which it stands', { text: 'crossing' }, ['Ferry']],
    ['a kind and a host', { kind: 'audio', host: 'murmurfold' }, ['Bell']],
    ['a state', { state: 'look' }, ['Écluse']],
    ['days, both included', { from: '2026-11-21', to: '2026-11-23' }, ['Ferry']],
    ['an item', { item: 'http://m.example/bell' }, ['Bell']],
    ['nothing', {}, ['Écluse', 'Ferry', 'Bell']],
    ['what is not there', { text: 'owl' }, []],
  ])('by %s', (_, narrowing, titles) => expect(found(narrowing)).toEqual(titles));

  test('stands in an address as it is, and an address that somebody wrote narrows by nothing else', () => {
    const text = fc.string({ maxLength: 20 });
    const state = fc.constantFrom(...STATES, '' as const);
    const day = fc.constantFrom('', '2026-11-23', '2028-02-29');
    fc.assert(
      fc.property(fc.record({ text, kind: text, host: text, site: text, item: text, from: day, to: day, state }), (narrowing) => {
        expect(narrowingOf(queryOf(narrowing))).toEqual(narrowing);
      }),
    );
    expect(narrowingOf('?text=mill&state=gone&more=1&from=soon&to=2026-02-30')).toEqual({ ...NO_NARROWING, text: 'mill' });
  });

  test('with every word more, fewer are found, in the same order', () => {
    const word = fc.constantFrom('mill', 'e', 'tides', 'fer', 'xyz', 'É', '');
    fc.assert(
      fc.property(fc.array(word), word, (words, more) => {
        const [wide, narrow] = [found({ text: words.join(' ') }), found({ text: [...words, more].join('  ') })];
        expect(wide.filter((title) => narrow.includes(title))).toEqual(narrow);
        expect(narrow).toEqual(wide.filter((title) => found({ text: more }).includes(title)));
      }),
    );
  });

  test('what would go wrong needs a look, however far it has come', () =>
    expect([stateOf({ stage: 'placed', look: [] }), stateOf({ stage: 'placed', look: ['gone'] })]).toEqual(['placed', 'look']));
});
