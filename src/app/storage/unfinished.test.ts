import { beforeEach, expect, test } from 'vitest';
import { sampleSite } from '../../core/many/sweep/sample.ts';
import { NO_RULES, rulesSchema } from '../../core/many/sweep/rules.ts';
import { sweepFile } from '../../core/many/sweep/sweepFile.ts';
import { book, cards, sites } from '../../laws/world.ts';
import { database } from './database.ts';
import { beginUnfinished, endUnfinished, findUnfinished, keepLooked, listUnfinished, type Unfinished } from './unfinished.ts';

const rules = rulesSchema.parse({ version: 1, titles: true, covers: true });
const begun: Unfinished = { name: 'mill', mark: 'a', at: 7, site: 'mill', rules, folder: null, files: 40 };
const looked = sampleSite(book, cards).map(({ name, text }, i) => ({
  file: name,
  stamp: `${text.length} ${i}`,
  found: sweepFile(name, text, { book, site: sites[0]!, style: undefined, rules }),
}));

beforeEach(() => Promise.all([database.unfinished.clear(), database.looked.clear()]));

test('what was found until a sweep was broken off is known when it goes on, to the last finding', async () => {
  expect((await beginUnfinished(begun)).size).toBe(0);
  await keepLooked('a', looked.slice(0, 3));
  await keepLooked('a', looked.slice(3));
  await keepLooked('b', looked.slice(0, 1));
  expect(looked.some(({ found }) => found!.embeds.some(({ findings, change }) => findings.length > 0 && change))).toBe(true);
  expect(await listUnfinished()).toEqual([{ ...begun, done: looked.length }]);
  expect(await findUnfinished('mill')).toEqual(begun);
  const known = await beginUnfinished({ ...begun, at: 8 });
  expect([...known.values()]).toEqual(looked);
});

test('what was found by other rules, and what cannot be read, is not known', async () => {
  await beginUnfinished(begun);
  await keepLooked('a', looked);
  await database.looked.add({ name: 'a', count: 1, files: [{ file: 'x.html', stamp: '1', found: { embeds: 'none' } }] });
  expect((await beginUnfinished(begun)).has('x.html')).toBe(false);
  expect((await beginUnfinished({ ...begun, mark: 'b', rules: NO_RULES })).size).toBe(0);
  expect((await beginUnfinished(begun)).size).toBe(0);
});

test('of a sweep that has come to its end nothing is left', async () => {
  await beginUnfinished(begun);
  await keepLooked('a', looked);
  await endUnfinished({ name: 'mill', mark: 'b' });
  expect(await listUnfinished()).toEqual([{ ...begun, done: looked.length }]);
  await endUnfinished(begun);
  expect(await listUnfinished()).toEqual([]);
  expect(await database.looked.count()).toBe(0);
});
