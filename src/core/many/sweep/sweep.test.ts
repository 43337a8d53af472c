import { execFileSync } from 'node:child_process';
import { mkdirSync, mkdtempSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { dirname, join } from 'node:path';
import { XMLParser } from 'fast-xml-parser';
import fc from 'fast-check';
import Papa from 'papaparse';
import { afterAll, describe, expect, test } from 'vitest';
import { book, inFrame, link, runs, sites } from '../../../laws/world.ts';
import { styleSchema } from '../../known/styles/style.ts';
import { bringIn, makeEmbed } from '../../pipeline.ts';
import { applied, fits, inverseOf, patchOf } from './apply.ts';
import type { SweepSettings } from './change.ts';
import type { Change, SweptFile } from './found.ts';
import { rulesSchema } from './rules.ts';
import { sweepFile } from './sweepFile.ts';

/** Laws of a sweep, over pages made of templates with embeds of all kinds at random places, in every container. */
const RUNS = runs(80);
const folder = mkdtempSync(join(tmpdir(), 'sweep-'));
afterAll(() => rmSync(folder, { recursive: true }));

const style = styleSchema.parse({
  version: 1,
  site: sites[0]!.id,
  rules: [
    { kind: 'video', setting: 'related', value: 'same' },
    { kind: 'video', setting: 'load', value: 'near' },
    { kind: 'audio', setting: 'accent', value: '#2f6f7e' },
  ],
});
const rules = (some: object): SweepSettings => ({
  book,
  site: sites[0]!,
  style,
  rules: rulesSchema.parse({ version: 1, ...some }),
});
const ALL = ['autoplayUnmuted', 'muteAlone', 'insecureFrame', 'unknownParameter', 'endBeforeStart', 'severalStart', 'sameTitle'];

const embedCode = fc
  .record({ from: link, asked: inFrame, form: fc.constantFrom('responsive', 'fixed', 'padded', 'cover') })
  .map(
    ({ from, asked, form }) =>
      makeEmbed(bringIn(from, book)[0]!.item!, asked, { book, site: null, form: form, facts: {} }).code.text,
  )
  .filter((code) => !code.includes(']]>') && !/\{\{|\{%|<%|<\?|\$\{/.test(code));
const prose = fc.constantFrom(
  '<p>The pond fills twice a day &amp; turns the wheel.</p>',
  '<h2>High water</h2>',
  '<p>“Low” water: é, 水, 🌊.</p>',
  '<ul><li>one</li><li class="x">two</li></ul>',
  '<p>A <a href="/tides?a=1&b=2">table</a> of tides</p>',
  '',
);
const page = fc
  .record({
    whole: fc.boolean(),
    newline: fc.constantFrom('\n', '\r\n'),
    parts: fc.array(fc.oneof(prose, prose, embedCode), { minLength: 1, maxLength: 8 }),
  })
  .map(({ whole, newline, parts }) => {
    const body = parts.join(newline);
    return whole
      ? `<!doctype html><html lang="en"><head><title>Tides</title></head><body>${newline}${body}${newline}</body></html>${newline}`
      : body + newline;
  });
const someRules = fc.record({
  style: fc.boolean(),
  titles: fc.boolean(),
  covers: fc.boolean(),
  putRight: fc.subarray(ALL),
});

const changesOf = (swept: SweptFile | null): Change[] => swept!.embeds.flatMap(({ change }) => change ?? []);
function put(name: string, text: string, settings: SweepSettings): string {
  return applied(text, changesOf(sweepFile(name, text, settings)));
}

const escapeXml = (text: string): string => text.replaceAll('&', '&amp;').replaceAll('<', '&lt;').replaceAll('>', '&gt;');
/** How each kind of file holds a page, and how others read it from there. */
const HELD: Record<string, { hold: (page: string) => string; take: (file: string) => string }> = {
  'a.html': { hold: (text) => text, take: (text) => text },
  'a.md': { hold: (text) => text, take: (text) => text },
  'section.xml': {
    hold: (text) => `<?xml version="1.0"?><rss><item><title>T &amp; U</title><content><![CDATA[${text}]]></content></item></rss>`,
    take: (file) => (new XMLParser({ trimValues: false }).parse(file) as { rss: { item: { content: string } } }).rss.item.content,
  },
  'escaped.xml': {
    hold: (text) => `<rss><item a="b"><content>${escapeXml(text)}</content></item></rss>`,
    take: (file) =>
      (
        new XMLParser({ trimValues: false, processEntities: { enabled: true, maxTotalExpansions: 1e6 } }).parse(file) as {
          rss: { item: { content: string } };
        }
      ).rss.item.content,
  },
  'a.json': {
    hold: (text) => JSON.stringify({ id: 1, html: text, tags: ['<b>'] }, null, 1),
    take: (file) => (JSON.parse(file) as { html: string }).html,
  },
  'slashed.json': {
    hold: (text) => JSON.stringify({ html: text }).replaceAll('/', '\\/').replaceAll('<', '\\u003c'),
    take: (file) => (JSON.parse(file) as { html: string }).html,
  },
  'a.csv': {
    hold: (text) => `id;html;n\r\n1;"${text.replaceAll('"', '""')}";7\r\n`,
    take: (file) => (Papa.parse<string[]>(file, { delimiter: ';', newline: '\r\n' }).data[1] ?? [])[1]!,
  },
};

describe.each(Object.entries(HELD))('%s', (name, { hold, take }) => {
  test('what whoever reads the file gets is the page with its embeds put right, and nothing else', () => {
    fc.assert(
      fc.property(page, someRules, (text, some) => {
        const file = hold(text);
        fc.pre(name.endsWith('.html') || take(file) === text);
        const settings = rules(some);
        expect(take(put(name, file, settings))).toBe(put('a.html', text, settings));
      }),
      RUNS,
    );
  });

  test('no unit outside the changed ranges differs, what was promised has ended, and a second time changes nothing', () => {
    fc.assert(
      fc.property(page, someRules, (text, some) => {
        const file = hold(text);
        const settings = rules(some);
        const swept = sweepFile(name, file, settings)!;
        const after = applied(file, changesOf(swept));
        let [rest, at] = [after, 0];
        for (const { range, before, after: written } of changesOf(swept)) {
          expect(rest.startsWith(file.slice(at, range[0]) + written)).toBe(true);
          rest = rest.slice(range[0] - at + written.length);
          at = range[1];
          expect(file.slice(...range)).toBe(before);
        }
        expect(rest).toBe(file.slice(at));
        expect(fits(file, changesOf(swept))).toBe(true);
        const back = inverseOf(changesOf(swept));
        expect(fits(after, back)).toBe(true);
        expect(applied(after, back)).toBe(file);
        const again = sweepFile(name, after, settings)!;
        expect(applied(after, changesOf(again))).toBe(after);
        expect(again.embeds.map(({ item }) => item)).toEqual(swept.embeds.map(({ item }) => item));
        swept.embeds.forEach(({ change }, i) => {
          const codes = again.embeds[i]!.findings.map(({ code }) => code);
          for (const ended of change?.ends ?? [])
            if (ended !== 'sameTitle' && ended !== 'severalStart') expect(codes).not.toContain(ended);
        });
      }),
      RUNS,
    );
  });
});

test('the patch of a whole folder is taken by git apply and by patch, gives the bytes that are written, and goes back', () => {
  const pages = fc.sample(fc.tuple(page, fc.constantFrom(...Object.keys(HELD))), { numRuns: 120, seed: 7 });
  const settings = rules({ style: true, titles: true, putRight: ALL });
  const files = pages.map(([text, name], i) => ({
    file: `${i % 9 === 0 ? 'said “so”' : i % 7 === 0 ? 'a "b" \\\\ c' : 'a folder'}/${i}-${name}`,
    text: HELD[name]!.hold(text),
  }));
  const written = files.map(({ file, text }) => put(file, text, settings));
  const write = (): void =>
    files.forEach(({ file, text }) => {
      mkdirSync(dirname(join(folder, file)), { recursive: true });
      writeFileSync(join(folder, file), text);
    });
  const there = (): string[] => files.map(({ file }) => readFileSync(join(folder, file), 'utf8'));
  const patch = join(folder, 'all.patch');
  writeFileSync(patch, files.map(({ file, text }) => patchOf(file, text, changesOf(sweepFile(file, text, settings)))).join(''));
  const back = join(folder, 'back.patch');
  writeFileSync(
    back,
    files.map(({ file, text }, i) => patchOf(file, written[i]!, inverseOf(changesOf(sweepFile(file, text, settings))))).join(''),
  );
  expect(written.filter((text, i) => text !== files[i]!.text).length).toBeGreaterThan(40);
  for (const take of [
    (file: string) => execFileSync('git', ['apply', '--whitespace=nowarn', file], { cwd: folder, stdio: 'pipe' }),
    (file: string) => execFileSync('patch', ['-p1', '-s', '--binary', '-i', file], { cwd: folder, stdio: 'pipe' }),
  ]) {
    write();
    take(patch);
    expect(there()).toEqual(written);
    take(back);
    expect(there()).toEqual(files.map(({ text }) => text));
  }
});
