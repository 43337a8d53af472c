import { expect, test } from 'vitest';
import { book, sites } from '../../laws/world.ts';
import { newOrder, takenAlso, MOST_VERSIONS, type OrderVersion } from './order.ts';
import { pageOf } from './page/page.ts';
import { playsOf } from './plays.ts';

const site = sites[0]!;
const order = newOrder('o', {
  name: 'Talks',
  entries: [{ id: 'a', address: 'http://lanternreel.localhost:4600/see/k7wq2m9d' }],
});
const style = {
  version: 1 as const,
  site: site.id,
  rules: [
    { kind: 'video' as const, setting: 'related' as const, value: 'same', reason: '' },
    { kind: 'video' as const, setting: 'autoplay' as const, value: 'off', reason: '' },
    { kind: 'audio' as const, setting: 'accent' as const, value: '#2f6f7e', reason: '' },
  ],
};

test('players follow the house style of the site for their kind, and begin when they are asked to all the same', () => {
  const srcOf = (by: object): URL => {
    const { plays } = playsOf(order.entries[0]!, { book, ...by });
    return new URL('src' in plays ? plays.src : '');
  };
  expect([...srcOf({}).searchParams]).toEqual([['auto', '1']]);
  expect(Object.fromEntries(srcOf({ style }).searchParams)).toEqual({ auto: '1', after: 'own' });
  expect(pageOf(order, { book, site, style }).html).toContain('after=own');
  expect(pageOf(order, { book, site }).html).not.toContain('after=own');
});

test('the last versions are kept, and one that is taken twice once', () => {
  let versions: OrderVersion[] = [];
  for (let i = 0; i < MOST_VERSIONS + 5; i++) {
    const taken = { ...order, name: `Talks ${Math.floor(i / 2)}` };
    versions = takenAlso(versions, taken, i);
    expect(versions[0]!.order).toEqual(taken);
  }
  expect(versions.map(({ taken }) => taken)).toEqual([14, 12, 10, 8, 6, 4, 2, 0]);
  for (let i = 0; i < 9; i++) versions = takenAlso(versions, { ...order, name: `Other ${i}` }, 20 + i);
  expect(versions).toHaveLength(MOST_VERSIONS);
  expect(versions.at(-1)!.taken).toBe(14);
});
