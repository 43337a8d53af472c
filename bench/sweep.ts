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
const small = timed(sweeping(100));
const sizes = [1000, 10_000].map((count) => ({ count, ms: timed(sweeping(count)) }));
for (const { count, ms } of sizes)
  line(`a page of ${count} pages, against one of 100`, {
    figure: ms / count / (small / 100),
    most: 1.2,
    unit: '×',
    note: `${(ms / 1000).toFixed(1)} s in all`,
  });
if (sink === 0) throw new Error('nothing was measured');
