import { execFileSync } from 'node:child_process';
import { mkdtempSync, rmSync, writeFileSync } from 'node:fs';
import { createRequire } from 'node:module';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { expect, test } from 'vitest';
import { makeBook } from '../src/core/known/hosts/book.ts';
import { loadCards } from '../src/core/known/hosts/loadCards.ts';
import { bringIn, makeEmbed } from '../src/core/pipeline.ts';
import type { Settings } from '../src/core/known/settings/list.ts';
import { FORMS } from '../src/core/steps/write/forms/list.ts';
import { readCardFiles, readItems, readSites, WRITTEN_ORIGIN } from '../src/standins/world.ts';

const vnu = createRequire(import.meta.url)('vnu-jar') as unknown as string;
const book = makeBook(loadCards(readCardFiles(WRITTEN_ORIGIN)).cards);
const ASKED: readonly Settings[] = [
  {},
  {
    autoplay: 'on',
    mute: 'on',
    start: 42,
    end: 50,
    title: 'A <b>"title"</b> & more',
    load: 'near',
    align: 'centre',
    spaceAbove: 8,
    spaceBelow: 24,
    width: 400,
  },
  {
    cover: `data:image/webp;base64,${'UklG'.repeat(9)}`,
    coverWords: 'Play "it" & <see>',
    consent: 'Loads from the host.',
    heading: 'Milling <day>',
    text: 'When the pond is full & high.',
    beside: 'on',
    caption: 'From the "causeway".',
    textLink: 'See it at the host',
    transcript: 'First.\n\nSecond.',
    structuredData: 'on',
  },
  { width: 300, widthMode: 'fixed', height: 200, accent: '#2f6f7e', page: 2, density: 'slim', tracking: 'reduced', align: 'end' },
];

const unescaped = (text: string): string =>
  text.replace(/&(lt|gt|quot|amp);/g, (_, name: string) => ({ lt: '<', gt: '>', quot: '"', amp: '&' })[name]!);

/** The W3C's checker on a page with every code that is written for every item of the sample world. */
test('every form of code passes the checker of the W3C without an error', () => {
  const folder = mkdtempSync(join(tmpdir(), 'forms-'));
  const wrap = (code: string): string =>
    `<!doctype html><html lang="en"><head><meta charset="utf-8"><title>T</title></head><body>${code}</body></html>`;
  let codes = 0;
  const keep = (name: string, text: string): void => writeFileSync(join(folder, `${name}.html`), text);
  for (const form of FORMS.filter(({ language }) => language === 'html'))
    for (const [i, asked] of ASKED.entries()) {
      const together: string[] = [];
      for (const item of readItems(WRITTEN_ORIGIN)) {
        const found = bringIn(item.links[0]!, book)[0]!.item!;
        const { code } = makeEmbed(found, asked, { book, site: readSites(WRITTEN_ORIGIN)[0]!, form: form.id, facts: {} });
        codes++;
        if (form.id === 'page') keep(`page-${i}-${codes}`, code.text);
        else together.push(code.text);
        // The checker does not look into it.
        const inside = /srcdoc="([^"]*)"/.exec(code.text)?.[1];
        if (inside) keep(`srcdoc-${i}-${codes}`, unescaped(inside));
      }
      if (together.length > 0) keep(`${form.id}-${i}`, wrap(together.join('\n')));
    }
  expect(codes).toBeGreaterThan(2000);
  const check = (): string =>
    execFileSync('java', ['-jar', vnu, '--errors-only', '--format', 'gnu', folder], { encoding: 'utf8', stdio: 'pipe' });
  let complaint: string;
  try {
    complaint = check();
  } catch (error) {
    complaint = String((error as { stderr?: string }).stderr ?? error);
  }
  rmSync(folder, { recursive: true });
  expect(complaint).toBe('');
});

test('and that checker does complain about a wrong code', () => {
  const folder = mkdtempSync(join(tmpdir(), 'forms-'));
  writeFileSync(
    join(folder, 'wrong.html'),
    '<!doctype html><html lang="en"><title>T</title><iframe src="a b" width="x"></iframe>',
  );
  expect(() => execFileSync('java', ['-jar', vnu, '--errors-only', folder], { stdio: 'pipe' })).toThrow();
  rmSync(folder, { recursive: true });
});
