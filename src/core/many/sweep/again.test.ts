import fc from 'fast-check';
import { describe, expect, test } from 'vitest';
import { loadCards } from '../../known/hosts/loadCards.ts';
import { makeBook } from '../../known/hosts/book.ts';
import { readCardFiles, readSites, WRITTEN_ORIGIN } from '../../../standins/world.ts';
import { asMarkdown, asXml, pagesOf } from '../../../standins/tidemill/pages.ts';
import { asKept, foundKey, hasOne, keptSweepSchema, sweptAgain, type KeptSweep } from './again.ts';
import type { SweptEmbed, SweptFile } from './found.ts';
import { framesOf } from './frames.ts';
import { groupsOf, GROUPINGS } from './groups.ts';
import { NO_RULES } from './rules.ts';
import { againstShelf, pageAddress } from './shelf.ts';
import { sweepFile } from './sweepFile.ts';

const book = makeBook(loadCards(readCardFiles(WRITTEN_ORIGIN)).cards);
const site = readSites(WRITTEN_ORIGIN)[0]!;
const settings = { book, site, style: undefined, rules: NO_RULES };
const frame = (id: string, more = ''): string =>
  `<iframe src="http://frames.lanternreel.localhost:4600/f/${id}" width="560" height="315"${more}></iframe>`;
const sweep = (files: Record<string, string>): SweptFile[] =>
  Object.entries(files).map(([name, text]) => sweepFile(name, text, settings)!);
const embedsOf = (swept: readonly SweptFile[]): SweptEmbed[] => swept.flatMap(({ embeds }) => embeds);

describe('a sweep against the one before it', () => {
  const untitled = sweep({ 'a.html': frame('k7wq2m9d'), 'b.html': frame('f1our204', ' title="Flour"') });
  const titled = sweep({ 'a.html': frame('k7wq2m9d', ' title="Sluice"'), 'b.html': frame('f1our204', ' title="Flour"') });
  const at = (swept: SweptFile[], before?: KeptSweep, asked = false) => sweptAgain({ swept, asked, at: 5 }, before);

  test('says what is new, what was put right, and what came back', () => {
    const first = at(titled);
    expect(first.again).toBeNull();
    const second = at(untitled, first.kept);
    expect([...second.again!.appeared]).toEqual([
      foundKey({ file: 'a.html', item: 'http://lanternreel.localhost:4600/see/k7wq2m9d', code: 'titleMissing' }),
    ]);
    expect(embedsOf(untitled).map((embed) => hasOne(embed, second.again!.appeared))).toEqual([true, false]);
    const third = at(titled, second.kept);
    expect(third.again).toMatchObject({ at: 5, appeared: new Set(), putRight: [{ file: 'a.html', code: 'titleMissing' }] });
    const fourth = at(untitled, third.kept);
    expect([fourth.again!.appeared.size, [...fourth.again!.cameBack]]).toEqual([0, [...second.again!.appeared]]);
    expect(keptSweepSchema.parse(JSON.parse(JSON.stringify(fourth.kept)))).toEqual(fourth.kept);
  });

  test('does not take for put right what only a host could tell, where none was asked', () => {
    const gone: SweptFile[] = untitled.map((file) => ({
      ...file,
      embeds: file.embeds.map((embed) => ({ ...embed, findings: [{ code: 'notReachable', severity: 'error' } as never] })),
    }));
    const asked = at(gone, at(untitled).kept, true);
    expect(asked.again!.appeared.size).toBe(0);
    const unasked = at(untitled, asked.kept);
    expect(unasked.again!.putRight).toEqual([]);
    const askedAgain = at(untitled, unasked.kept, true);
    expect(askedAgain.again!.putRight.map(({ code }) => code)).toEqual(['notReachable', 'notReachable']);
  });

  test('of any findings, each is new, back, there already or put right, and nothing is told twice', () => {
    const findings = fc.uniqueArray(
      fc.record({ file: fc.constantFrom('a', 'b'), item: fc.constantFrom('x', 'y'), code: fc.constantFrom('one', 'two') }),
      { selector: foundKey },
    );
    const sweptWith = (some: readonly { file: string; item: string; code: string }[]): SweptFile[] =>
      some.map(({ file, item, code }) => ({ file, embeds: [{ file, item, findings: [{ code }] }] }) as unknown as SweptFile);
    fc.assert(
      fc.property(fc.array(findings, { minLength: 2, maxLength: 5 }), (sweeps) => {
        const ever = new Set<string>();
        let before: KeptSweep | undefined;
        for (const [i, now] of sweeps.entries()) {
          const had = new Set(before?.findings.map(foundKey));
          const { again, kept } = at(sweptWith(now), before);
          const keys = now.map(foundKey);
          if (i > 0) {
            expect([...again!.appeared]).toEqual(keys.filter((key) => !ever.has(key)));
            expect([...again!.cameBack]).toEqual(keys.filter((key) => ever.has(key) && !had.has(key)));
            expect(again!.putRight.map(foundKey)).toEqual([...had].filter((key) => !keys.includes(key)));
          }
          keys.forEach((key) => ever.add(key));
          before = keptSweepSchema.parse(asKept(kept));
          expect(new Set(before.findings.map(foundKey))).toEqual(new Set(keys));
        }
      }),
    );
  });
});

const some = sweep({
  'index.html': `${frame('k7wq2m9d')}${frame('f1our204', ' title="Flour"')}`,
  'news/2.html': frame('k7wq2m9d', ' title="Sluice"'),
  'notes/3.md': `<iframe src="https://video.example/e?id=1"></iframe>\n\n<iframe src="https://video.example/e?id=2" title="Two"></iframe>`,
});
const embeds = embedsOf(some);

test('places stand together by what they have in common', () => {
  for (const by of GROUPINGS) {
    const all = groupsOf(embeds, by).flatMap((group) => group.embeds);
    expect(new Set(all)).toEqual(new Set(embeds));
  }
  expect(groupsOf(embeds, 'item').map(({ key, embeds: its }) => [key.replace(/^.*\//, ''), its.length])).toEqual([
    ['k7wq2m9d', 2],
    ['f1our204', 1],
    ['e?id=1', 1],
    ['e?id=2', 1],
  ]);
  expect(groupsOf(embeds, 'host').map(({ key }) => key)).toEqual(['lanternreel', '']);
  expect(groupsOf(embeds, 'finding').find(({ key }) => key === 'titleMissing')!.embeds).toHaveLength(2);
});

test('each frame is asked for once, with the domain where its host wants to know it', () => {
  const talk = sweep({ 'a.html': '<iframe src="http://airwherry.localhost:4600/talk?station=sluice-watch"></iframe>' });
  expect(framesOf([...embeds, ...embedsOf(talk)], settings).map(({ link }) => link)).toEqual([
    'http://frames.lanternreel.localhost:4600/f/k7wq2m9d',
    'http://frames.lanternreel.localhost:4600/f/f1our204',
    'https://video.example/e?id=1',
    'https://video.example/e?id=2',
    expect.stringContaining(`on=${new URL(site.address).hostname}`) as string,
  ]);
});

test('what hosts answered is a finding, and with the rule what is gone becomes a link', () => {
  const item = 'http://lanternreel.localhost:4600/see/k7wq2m9d';
  const reached = new Map([[item, [{ code: 'gone', status: 404 } as const]]]);
  const rules = { ...NO_RULES, gone: true };
  const [first, second] = sweepFile('a.html', `${frame('k7wq2m9d')}${frame('f1our204')}`, {
    ...settings,
    rules,
    reached,
  })!.embeds;
  expect(first!.findings.map(({ code }) => code)).toContain('notReachable');
  expect(first!.change!.after).toBe(`a href="${item}">lanternreel.localhost:4600/see/k7wq2m9d</a`);
  expect(second!.findings.map(({ code }) => code)).not.toContain('notReachable');
  expect(second!.change).toBeNull();
});

describe('a site against the Shelf', () => {
  test.each([
    ['news/2.html', 'https://tidemill.example/a', 'https://tidemill.example/a/news/2.html'],
    ['index.html', 'https://tidemill.example/', 'https://tidemill.example/'],
    ['news/index.htm', 'https://tidemill.example', 'https://tidemill.example/news/'],
    ['notes/3.md', 'https://tidemill.example', null],
    ['https://tidemill.example/x?p=1', 'https://other.example', 'https://tidemill.example/x?p=1'],
    ['a b#c/ä.html', 'https://tidemill.example', 'https://tidemill.example/a%20b%23c/%C3%A4.html'],
    ['a.html', 'no address', null],
  ])('the page of %s on %s', (file, at, address) => expect(pageAddress(file, at)).toBe(address));

  test('what stands on it and is kept is told with its new pages, and the rest by its first place', () => {
    const item = 'http://lanternreel.localhost:4600/see/k7wq2m9d';
    const placed = [{ address: 'https://tidemill.example/', since: 1 }];
    const against = againstShelf(embeds, [{ id: 'one', item, placed }], 'https://tidemill.example');
    expect(against.placed).toEqual([{ id: 'one', pages: ['https://tidemill.example/news/2.html'] }]);
    expect(against.unshelved.map(({ file, pages }) => [file, pages])).toEqual([
      ['index.html', ['https://tidemill.example/']],
      ['notes/3.md', []],
      ['notes/3.md', []],
    ]);
  });
});

test('the sample site holds the same embeds in each way in which its editor gives it away', () => {
  const pages = pagesOf(WRITTEN_ORIGIN);
  const itemsOf = (files: readonly { name: string; text: string }[]): string[] =>
    embedsOf(files.map(({ name, text }) => sweepFile(name, text, settings)!)).map(({ item }) => item);
  const html = itemsOf(pages.map(({ number, html: text }) => ({ name: `${number}.html`, text })));
  expect(html).toHaveLength(180);
  expect(itemsOf(asMarkdown(WRITTEN_ORIGIN))).toEqual(html);
  expect(itemsOf([asXml(WRITTEN_ORIGIN)])).toEqual(html);
});
