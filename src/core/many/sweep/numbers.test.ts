import { expect, test } from 'vitest';
import { book, cards, sites } from '../../../laws/world.ts';
import { numbersOf } from './numbers.ts';
import { rulesSchema } from './rules.ts';
import { sampleSite } from './sample.ts';
import { sweepFile } from './sweepFile.ts';

const rules = rulesSchema.parse({ version: 1, titles: true, covers: true });
const sample = sampleSite(book, cards).filter(({ name }) => name.endsWith('.html'));
/** Pages of one embed, and two of several. */
const several = [2, 6].map((many) => sample.slice(0, many)).map((some) => some.map(({ text }) => text).join('\n'));
const files = [...sample, ...several.map((text, i) => ({ name: `several-${i}.html`, text }))].map(({ name, text }) =>
  sweepFile(name, text, { book, site: sites[0]!, style: undefined, rules })!,
);
const embeds = files.flatMap((file) => file.embeds);
const numbers = numbersOf(files);

test('every embed counts once for its host, and once for each check that found something', () => {
  const of = (host: string | null) => embeds.filter((embed) => embed.host === host);
  expect(numbers.embeds).toBe(embeds.length);
  expect(numbers.hosts.map(({ places }) => places)).toEqual(numbers.hosts.map(({ host }) => of(host).length));
  expect(numbers.hosts.reduce((sum, { places }) => sum + places, 0)).toBe(embeds.length);
  for (const { code, places, after } of numbers.findings) {
    const having = embeds.filter(({ findings }) => findings.some((one) => one.code === code));
    expect(places).toBe(having.length);
    expect(after).toBe(having.filter(({ change }) => !change?.ends.includes(code)).length);
  }
  expect(numbers.changes).toBeGreaterThan(0);
});

test('the pages that load most stand first, and what is behind a cover afterwards is not counted there', () => {
  expect(numbers.pages.length).toBeGreaterThan(1);
  const loads = numbers.pages.map((page) => page.loads);
  expect(loads).toEqual([...loads].sort((a, b) => b - a));
  for (const { file, loads: today, loadsAfter } of numbers.pages) {
    const its = embeds.filter((embed) => embed.file === file);
    expect(today).toBe(its.filter((embed) => embed.loads).length);
    expect(loadsAfter).toBe(its.filter(({ change, loads: now }) => (change ? change.loads : now)).length);
    expect(loadsAfter).toBeLessThan(today);
  }
});
