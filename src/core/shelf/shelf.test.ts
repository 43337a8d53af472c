import { describe, expect, test } from 'vitest';
import { sites } from '../tests/world.ts';
import { aimedAt } from './aim.ts';
import { nextLike } from './next.ts';
import { savedSchema, stateOf } from './saved.ts';
import { entryOf, NO_NARROWING, search, type Narrowing } from './search.ts';
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

  test('what would go wrong needs a look, however far it has come', () =>
    expect([stateOf({ stage: 'placed', look: [] }), stateOf({ stage: 'placed', look: ['gone'] })]).toEqual(['placed', 'look']));
});
