import { spawnSync } from 'node:child_process';
import { mkdirSync, mkdtempSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join, resolve } from 'node:path';
import { makeBook } from '../src/core/known/hosts/book.ts';
import { loadCards } from '../src/core/known/hosts/loadCards.ts';
import { NO_RULES } from '../src/core/many/sweep/rules.ts';
import { surroundingsOf } from '../src/core/many/sweep/surroundings.ts';
import { sweepFile } from '../src/core/many/sweep/sweepFile.ts';
import { bringIn } from '../src/core/pipeline.ts';
import { readCardFiles, readSites, WRITTEN_ORIGIN } from '../src/standins/world.ts';
import { fastest } from './fastest.ts';
import { line } from './line.ts';
import { shares } from './shares.ts';
import { tokenise } from './tokenise.ts';

/** Pages of fifty thousand signs, each with two embeds: swept, and with titles put in, against taking them apart. */
const book = makeBook(loadCards(readCardFiles(WRITTEN_ORIGIN)).cards);
const site = readSites(WRITTEN_ORIGIN)[0]!;
const finding = { book, site, style: undefined, rules: NO_RULES };
const changing = { ...finding, rules: { ...NO_RULES, titles: true } };

const smallPage = (number: number): string =>
  `<!doctype html><title>Page ${number}</title>${'<p>The pond fills twice a day.</p>\n'.repeat(150)}<iframe src="http://frames.lanternreel.localhost:4600/f/k7wq2m9d"></iframe>`;

function pageOf(number: number): string {
  const embed = `<iframe width="560" height="315" src="http://frames.lanternreel.localhost:4600/f/k7wq2m9d?from=${number % 60}"></iframe>`;
  const prose = `<p class="text">The pond fills twice a day, and the wheel turns <a href="/tides/${number}">after high water</a>. <img src="/p/${number}.jpg" alt="Tide" width="640" height="360"></p>\n`;
  const half = prose.repeat(Math.round(25_000 / prose.length));
  return `<!doctype html><html lang="en"><title>Page ${number}</title><h1>Tide ${number}</h1>\n${half}${embed}\n<h2>And ebb</h2>${half}${embed}\n`;
}

let sink = 0;
const pages = Array.from({ length: 200 }, (_, number) => pageOf(number));
const sweeping =
  (count: number, settings = finding) =>
  (): void => {
    for (let i = 0; i < count; i++) sink += sweepFile(`${i}.html`, pages[i % pages.length]!, settings)!.embeds.length;
  };
const tokens = (count: number) => (): void => {
  for (let i = 0; i < count; i++) tokenise(pages[i % pages.length]!);
};
const timed = (work: () => void): number => fastest(1, work)[0]!;

const around = (count: number) => (): void => {
  for (let i = 0; i < count; i++) sink += surroundingsOf(pages[i % pages.length]!).title.length;
};
const reading = (count: number) => (): void => {
  for (let i = 0; i < count; i++) sink += bringIn(pages[i % pages.length]!, book).length;
};
const [bare, found, changed, read, surroundings] = fastest(
  9,
  tokens(200),
  sweeping(200),
  sweeping(200, changing),
  reading(200),
  around(200),
) as [number, number, number, number, number];
line('a sweep of pages of 50 kB, against tokenising them, as throughput', {
  figure: bare / found,
  least: 0.7,
  unit: '',
  note: `${(found / 200).toFixed(2)} ms a page; tokenising ${(bare / 200).toFixed(2)} ms; ${shares({ read, surroundings, 'the rest': found - read - surroundings })}`,
});
line('the same with titles put in', {
  figure: bare / changed,
  least: 0.7,
  unit: '',
  note: `${(changed / 200).toFixed(2)} ms a page; ${shares({ 'the same': found, 'written, read and checked again': changed - found })}`,
});
/** What a page costs must not grow with their number: each count against the first of them. */
function growth(where: string, counts: readonly number[], measure: (count: number) => number): void {
  const [first, ...others] = counts as [number, ...number[]];
  const one = measure(first) / first;
  for (const count of others) {
    const ms = measure(count);
    const note = `${(ms / 1000).toFixed(1)} s in all`;
    line(`a page of ${count} pages ${where}, against one of ${first}`, { figure: ms / count / one, most: 1.2, unit: '×', note });
  }
}
growth('in the core', [100, 1000, 10_000], (count) => timed(sweeping(count)));

/** By the command line, from a folder: files of five kilobytes, beyond what the command itself takes to begin. */
const folder = mkdtempSync(join(tmpdir(), 'pages-'));
const command = (files: string): number =>
  timed(() => void spawnSync(process.execPath, [resolve('dist/node/cli.js'), 'sweep', files], { stdio: 'ignore' }));
mkdirSync(join(folder, 'none'));
writeFileSync(join(folder, 'none', 'a.html'), '<p>Nothing</p>');
const begun = command(join(folder, 'none'));
growth('by the command line', [1000, 10_000, 100_000], (count) => {
  const files = join(folder, String(count));
  for (let i = 0; i < count; i++) {
    const some = join(files, String(Math.floor(i / 1000)));
    if (i % 1000 === 0) mkdirSync(some, { recursive: true });
    writeFileSync(join(some, `${i}.html`), smallPage(i));
  }
  const ms = command(files) - begun;
  rmSync(files, { recursive: true });
  return ms;
});
rmSync(folder, { recursive: true });
if (sink === 0) throw new Error('nothing was measured');
