import { setFlagsFromString } from 'node:v8';
import { runInNewContext } from 'node:vm';
import { makeBook, type HostBook } from '../src/core/known/hosts/book.ts';
import type { HostCard } from '../src/core/known/hosts/card.ts';
import { compileShape } from '../src/core/known/hosts/shape.ts';
import { loadCards } from '../src/core/known/hosts/loadCards.ts';
import { plan } from '../src/core/steps/plan/plan.ts';
import { bringIn, keepEmbed, makeEmbed } from '../src/core/pipeline.ts';
import type { Settings } from '../src/core/known/settings/list.ts';
import { read } from '../src/core/steps/read/read.ts';
import { recognise } from '../src/core/steps/recognise/recognise.ts';
import { write } from '../src/core/steps/write/write.ts';
import type { Example } from '../src/core/teach/examples.ts';
import { learn } from '../src/core/teach/learn.ts';
import { examplesOf, makeHost } from '../src/laws/hosts.ts';
import { fastest } from './fastest.ts';
import { line } from './line.ts';
import { shares } from './shares.ts';
import { tokenise } from './tokenise.ts';
import { readCardFiles, readItems, readSites, WRITTEN_ORIGIN } from '../src/standins/world.ts';

/** Prints the figures that the product promises, each a ratio of two measurements in this one run. */
const LINKS = 100_000;
/** Rounds over the links, and over the page: enough that the engine has compiled what it runs. */
const ROUNDS = { links: 9, page: 90 };
const { cards } = loadCards(readCardFiles(WRITTEN_ORIGIN));
const book = makeBook(cards);

let sink = 0;

const shared = readItems(WRITTEN_ORIGIN).flatMap((item) => item.links.filter((link) => !link.endsWith('/edit')));
const links = Array.from({ length: LINKS }, (_, i) => {
  const link = shared[i % shared.length]!;
  return `${link}${link.includes('?') ? '&' : '?'}n=${i}`;
});

const parse = (some: readonly string[]) => (): void => {
  for (const link of some) sink += new URL(link).href.length;
};
const pipeline = (cardsOf: HostBook, some: readonly string[]) => (): void => {
  for (const link of some) {
    const { item } = bringIn(link, cardsOf)[0]!;
    if (!item) throw new Error(`not recognised: ${link}`);
    sink += write({ item, plan: plan(item, item.settings, { book: cardsOf, site: null }), site: null, facts: {} }, 'responsive')
      .text.length;
  }
};

/** How much of the way each step takes, warm. */
function steps(some: readonly string[]): string {
  const candidates = some.map((link) => read(link)[0]!);
  const items = candidates.map((candidate) => recognise(candidate, book).item!);
  const plans = items.map((item) => plan(item, item.settings, { book, site: null }));
  const each =
    <Given>(given: readonly Given[], step: (one: Given, i: number) => { length: number }) =>
    (): void =>
      given.forEach((one, i) => (sink += step(one, i).length));
  const [reading, recognising, planning, writing] = fastest(
    5,
    each(some, read),
    each(candidates, (candidate) => recognise(candidate, book).item!.canonical),
    each(items, (item) => plan(item, item.settings, { book, site: null }).parts),
    each(items, (item, i) => write({ item, plan: plans[i]!, site: null, facts: {} }, 'responsive').text),
  ) as [number, number, number, number];
  return shares({ read: reading, recognise: recognising, plan: planning, write: writing });
}

function manyCards(count: number): HostCard[] {
  const [first] = cards;
  const text = JSON.stringify(first);
  const made = Array.from({ length: count }, (_, i) => JSON.parse(text.replaceAll(first!.id, `host${i}`)) as HostCard);
  return [...made, ...cards];
}

/** Bytes that are in use once everything is dropped that nobody needs. */
function heldBytes(): number {
  setFlagsFromString('--expose-gc');
  (runInNewContext('gc') as () => void)();
  return process.memoryUsage().heapUsed;
}

/** A page of a megabyte as sites have them: prose, pictures, links, and an embed now and then. */
function bigPage(): string {
  const parts: string[] = ['<!doctype html><html lang="en"><title>A page</title><body>'];
  let length = 0;
  for (let i = 0; length < 1_000_000; i++) {
    const prose = `<p class="text">The pond fills twice a day, and the wheel turns <a href="/tides/${i}">after high water</a>. <img src="/p/${i}.jpg" alt="Tide ${i}" width="640" height="360"></p>`;
    const embed =
      i % 20 === 0
        ? `<iframe width="560" height="315" src="${shared[i % shared.length]!.replaceAll('&', '&amp;')}" allowfullscreen></iframe>`
        : '';
    parts.push(prose, embed);
    length += prose.length + embed.length;
  }
  return parts.join('\n');
}

const perLink = (ms: number): string => `${((ms * 1000) / LINKS).toFixed(2)} µs a link`;
const CROWD = 10_000;
const crowd = manyCards(CROWD);
const [compiling] = fastest(3, () => void makeBook(crowd)) as [number];
const before = heldBytes();
const wide = makeBook(crowd);
const perCard = (heldBytes() - before) / CROWD;
const plain = links.map((link) => link.replace(/[?#].*$/, '')).filter((link) => bringIn(link, book)[0]!.item);
pipeline(book, links)();
const [bare, few, many, tidyBare, tidy] = fastest(
  ROUNDS.links,
  parse(links),
  pipeline(book, links),
  pipeline(wide, links),
  parse(plain),
  pipeline(book, plain),
) as [number, number, number, number, number];
line(`read, recognise, plan and write ${LINKS} links, against new URL()`, {
  figure: few / bare,
  most: 10,
  unit: '×',
  note: `${perLink(few)}; new URL() ${perLink(bare)}; ${steps(links)}`,
});
line('the same of links without settings', {
  figure: tidy / tidyBare,
  most: 6,
  unit: '×',
  note: `${perLink(tidy)}; ${steps(plain)}`,
});
line('the same with 10,000 cards more in the book', { figure: many / few, most: 1.2, unit: '×', note: perLink(many) });
line('a book of 10,000 cards compiled', { figure: compiling, most: 300, unit: 'ms' });
line('what it holds beyond its cards, a card', { figure: perCard / 1000, most: 4, unit: 'kB' });

const page = bigPage();
const found = bringIn(page, book).length;
const readPage = (): void => {
  sink += bringIn(page, book).length;
};
const [tokens, reading] = fastest(ROUNDS.page, () => tokenise(page), readPage) as [number, number];
line(`find and read ${found} embeds in a page of ${(page.length / 1e6).toFixed(1)} MB, against tokenising`, {
  figure: reading / tokens,
  most: 1.5,
  unit: '×',
  note: `${reading.toFixed(1)} ms; tokenising ${tokens.toFixed(1)} ms`,
});
/** The 95th percentile of many changes of one setting, in milliseconds: plan, code, map and checks anew. */
function changing(make: (settings: Settings) => { findings: readonly unknown[] }): number {
  const times: number[] = [];
  for (let i = 0; i < 4000; i++) {
    const settings: Settings = {
      start: i % 180,
      mute: 'on',
      autoplay: 'on',
      related: 'same',
      title: 'Sluice',
      width: 400 + (i % 200),
    };
    const from = performance.now();
    sink += make(settings).findings.length;
    times.push(performance.now() - from);
  }
  return times.sort((a, b) => a - b)[Math.floor(times.length * 0.95)]!;
}
const [site] = readSites(WRITTEN_ORIGIN);
const context = { book, site: site!, facts: {} };
const [written] = bringIn(shared[0]!, book);
const hand = `<iframe width="560" height="315" src="http://frames.lanternreel.localhost:4600/f/k7wq2m9d?from=42" allowfullscreen></iframe>`;
const [held] = bringIn(hand, book);
const anew = changing((settings) => makeEmbed(written!.item!, settings, { ...context, form: 'responsive' }));
const kept = changing((settings) => keepEmbed({ text: hand, candidate: held!.candidate }, held!.item!, settings, context));
line('one setting changed, code written anew (95th)', { figure: anew, most: 2, unit: 'ms' });
line('one setting changed, code kept as it stands (95th)', { figure: kept, most: 2, unit: 'ms' });

/** A shape of the kind that makes backtracking explode, on texts that almost have it. */
const shape = compileShape('[a-z]+[a-z0-9]+[a-z]+[a-z0-9]+[a-z]+');
const matching = (length: number, times: number) => (): void => {
  const text = `${'a'.repeat(length - 1)}-`;
  for (let i = 0; i < times; i++) sink += Number(!shape(text));
};
const [short, long] = fastest(5, matching(40, 1000), matching(4000, 10)) as [number, number];
line('a shape on 4,000 characters, against 40, for each of them', { figure: long / short, most: 2, unit: '×' });
/** Of made-up hosts, how much more than ten times what ten examples take a hundred of them take, at the most. */
const beyond = Array.from({ length: 60 }, (_, seed) => {
  const ten = examplesOf(makeHost(seed), 6).slice(0, 10);
  const hundred = examplesOf(makeHost(seed), 90).slice(0, 100);
  const learning = (examples: readonly Example[]) => (): void =>
    void (sink += learn(examples, { today: '2026-11-29' }).facts.length);
  const [few, many] = fastest(3, learning(ten), learning(hundred)) as [number, number];
  return many - 10 * few;
});
line('learning from 100 examples, beyond ten times 10, of 60 hosts', { figure: Math.max(...beyond), most: 50, unit: 'ms' });
if (sink === 0) throw new Error('nothing was measured');
