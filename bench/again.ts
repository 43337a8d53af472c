import { writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import type { Page } from 'puppeteer-core';
import { launchBrowser } from '../e2e/browser.ts';
import { find, goTo, newVisitor, press, startServer, waitForText } from '../e2e/driver.ts';
import { forget, giveFile, savedBy } from '../e2e/files.ts';
import { fillShelf } from './fillShelf.ts';
import { demoLinks } from '../e2e/world.ts';
import { line } from './line.ts';
import { sayDisturbed, watchDisturbance } from './disturbed.ts';
import { shares } from './shares.ts';
import { scrollBy, type Scrolled } from './scroll.ts';

/** Twenty thousand embeds on the Shelf, and ten thousand rows in a batch, in the browser. */
const EMBEDS = 20_000;
const ROWS = 10_000;
/** As many more as show what each of them costs. */
const MANY_ROWS = 50_000;
/** Pixels a second: as a turned wheel scrolls, and as somebody flings it. */
const SPEEDS = [2400, 12_000];
/** At each speed: a machine that others share drops a frame now and then whatever the page does. */
const SCROLLS = 5;
/** A number as screens write it. */
const said = (count: number): string => count.toLocaleString('en');
const late = (times: number[]): number => times.sort((a, b) => a - b)[Math.floor(times.length * 0.95)]!;

const [server, browser] = await Promise.all([startServer(), launchBrowser()]);

async function shelf(): Promise<void> {
  const { context, page } = await newVisitor(browser);
  await goTo(page, `${server.address}/shelf`);
  await waitForText(page, 'Nothing is kept yet');
  await fillShelf(page, EMBEDS, server.port);
  await goTo(page, 'about:blank');
  const from = performance.now();
  await goTo(page, `${server.address}/shelf`);
  await page.waitForSelector('.shelf-row');
  const shown = performance.now() - from;
  const [begun, parsed, styled] = await page.evaluate(() => {
    const [navigation] = performance.getEntriesByType('navigation') as PerformanceNavigationTiming[];
    const scripts = performance.getEntriesByType('resource').filter(({ name }) => /\/Shelf-[\w-]+\.js$/.test(name));
    return [
      navigation!.domInteractive,
      navigation!.domContentLoadedEventEnd,
      (scripts[0] as PerformanceResourceTiming).responseEnd,
    ];
  });
  line(`the Shelf with ${EMBEDS} embeds, from its address to its first rows`, {
    figure: shown,
    most: 300,
    unit: 'ms',
    note: shares({
      'the page': begun!,
      'scripts fetched and compiled': parsed! - begun!,
      'scripts begun': styled! - parsed!,
      'drawn, with its rows': shown - styled!,
    }),
  });
  await press(page, 'link', 'Bench');
  await find(page, 'button', 'Copy the code');
  const pressed = performance.now();
  await press(page, 'link', 'Shelf');
  await page.waitForSelector('.shelf-row');
  line('the same, from another screen', { figure: performance.now() - pressed, most: 300, unit: 'ms' });
  // Only what is read through can be searched.
  await page.waitForSelector('output[aria-busy="false"]');
  const search = await find(page, 'searchbox', 'Search the Shelf');
  const answers = await search.evaluate(async (field) => {
    const input = field as HTMLInputElement;
    // React watches the field’s own setter, so that of all fields is used.
    const property = Object.getOwnPropertyDescriptor(HTMLInputElement.prototype, 'value')!;
    const times: number[] = [];
    for (let i = 0; i < 60; i++) {
      // Words and numbers of which each leaves another number of embeds.
      const text = `${['tide', 'bell', '', 'sluice mill', 'crust'][i % 5]} ${(i * 37) % 400}`.trim();
      const output = document.querySelector('.shelf-actions output')!;
      const before = output.textContent;
      const begun = performance.now();
      property.set!.call(input, text);
      input.dispatchEvent(new Event('input', { bubbles: true }));
      while (output.textContent === before && performance.now() - begun < 2000) await new Promise((done) => setTimeout(done, 0));
      document.body.getBoundingClientRect();
      times.push(performance.now() - begun);
      await new Promise((done) => setTimeout(done, 150));
    }
    property.set!.call(input, '');
    input.dispatchEvent(new Event('input', { bubbles: true }));
    await new Promise((done) => setTimeout(done, 600));
    return times;
  });
  if (Math.max(...answers) >= 2000) throw new Error('a search gave no new answer');
  line('a search among them, from the key to the shown answer (95th)', { figure: late(answers), most: 50, unit: 'ms' });
  for (const speed of SPEEDS) {
    const disturbance = watchDisturbance();
    const scrolls: Scrolled[] = [];
    while (scrolls.length < SCROLLS) scrolls.push(await scrollBy(page, '.shelf-list', speed));
    const [dropped, drawn, unpainted] = (['dropped', 'drawn', 'unpainted'] as const).map((what) =>
      scrolls.map((one) => one[what]),
    );
    line(`frames dropped while the wheel scrolls at ${speed} px a second`, {
      figure: dropped!.toSorted((a, b) => a - b)[Math.floor(SCROLLS / 2)]!,
      most: 0,
      unit: '',
      note:
        `in the middle one of ${SCROLLS} scrolls: ${dropped!.join(', ')} of ${drawn!.join(', ')} drawn; ` +
        `${unpainted!.join(', ')} with a part unpainted; ${((disturbance() ?? 0) * 100).toFixed(0)} % of the machine with others`,
    });
  }
  await context.close();
}

/** Gives a table of so many rows to the Batch screen, which shall not ask the hosts. */
async function giveRows(page: Page, count: number): Promise<void> {
  const links = demoLinks(server.port);
  const text = Array.from({ length: count }, (_, i) => `${links[i % links.length]};Row ${i + 1}`).join('\n');
  const path = join(tmpdir(), `rows-${process.pid}.csv`);
  writeFileSync(path, `link;title\n${text}\n`);
  await giveFile(page, 'Open a file', path);
  await waitForText(page, `${said(count + 1)} lines`);
  await page.$eval('.batch-ways input[type="checkbox"]:checked', (box) => box.click());
}

/** Seconds from the press until the table has been read, and until all rows are made. */
async function makeRows(page: Page, count: number): Promise<{ begun: number; all: number }> {
  return page.evaluate(
    async (words: string) => {
      const button = [...document.querySelectorAll('button')].find((one) => one.textContent === 'Make the codes')!;
      const from = performance.now();
      button.click();
      let begun = 0;
      for (let shown = ''; shown !== words; shown = document.querySelector('.batch-progress')?.textContent ?? '') {
        if (begun === 0 && shown !== '') begun = performance.now() - from;
        await new Promise((done) => setTimeout(done, 10));
      }
      return { begun: begun / 1000, all: (performance.now() - from) / 1000 };
    },
    `All ${said(count)} rows are made.`,
  );
}

/** Bytes that the screen and the worker hold, once everything is dropped that nobody needs. */
async function held(page: Page): Promise<[screen: number, worker: number]> {
  const screen = await page.createCDPSession();
  const worker = page.workers()[0]!.client;
  const sizes: number[] = [];
  for (const session of [screen, worker]) {
    await session.send('HeapProfiler.collectGarbage');
    sizes.push((await session.send('Runtime.getHeapUsage')).usedSize);
  }
  await screen.detach();
  return [sizes[0]!, sizes[1]!];
}

async function batch(): Promise<void> {
  const { context, page } = await newVisitor(browser);
  await goTo(page, `${server.address}/batch`);
  await find(page, 'button', 'Make the codes');
  await giveRows(page, ROWS);
  const watched = await watchTasks(page);
  const first = await makeRows(page, ROWS);
  const tasks = await watched();
  tellLongest('longest task on the screen’s thread meanwhile', tasks);
  const few = await held(page);
  const shelved = await page.evaluate(
    async (words: string) => {
      const button = [...document.querySelectorAll('button')].find((one) => one.textContent === 'To the Shelf')!;
      const from = performance.now();
      button.click();
      while (document.querySelector('.batch-set [role="status"]')?.textContent !== words)
        await new Promise((done) => setTimeout(done, 20));
      return (performance.now() - from) / 1000;
    },
    `${said(ROWS)} embeds are on the Shelf.`,
  );
  await press(page, 'button', 'New batch');
  await giveRows(page, MANY_ROWS);
  const later = await makeRows(page, MANY_ROWS);
  const many = await held(page);
  line(`${ROWS} rows in a batch, a second`, {
    figure: ROWS / first.all,
    least: 15_000,
    unit: '',
    // What the rows beyond the first 10,000 take is what they take once the engine has compiled their code.
    note:
      `${first.all.toFixed(2)} s in all; ${shares({ 'the table read and drawn': first.begun, rows: first.all - first.begun })}; ` +
      `${(((first.all - first.begun) / ROWS) * 1e6).toFixed(0)} µs a row, later ones ${(((later.all - first.all) / (MANY_ROWS - ROWS)) * 1e6).toFixed(0)} µs`,
  });
  const table = await savedBy(page, () => press(page, 'button', 'Save as CSV'));
  const [text, screen, worker] = [
    table.bytes.length / MANY_ROWS,
    ...many.map((bytes, i) => (bytes - few[i]!) / (MANY_ROWS - ROWS)),
  ].map(Math.round) as [number, number, number];
  forget(table);
  // All rows are made once more, and then written.
  const remade = ((later.all - first.all) / (MANY_ROWS - ROWS)) * ROWS;
  line('the same to the Shelf, a second', {
    figure: ROWS / shelved,
    least: 5000,
    unit: '',
    note: `${shelved.toFixed(1)} s in all; ${shares({ 'rows made anew': remade, 'written to the store': shelved - remade })}`,
  });
  line(`memory a row beyond its texts, from ${ROWS} rows to ${MANY_ROWS}`, {
    figure: screen + worker - text,
    most: 400,
    unit: 'B',
    note: `${screen} B on the screen, ${worker} B in the worker, ${text} B of it texts`,
  });
  await press(page, 'button', 'New batch');
  await giveRows(page, ROWS);
  await press(page, 'button', 'Make the codes');
  await find(page, 'button', 'Cancel');
  const waited = await page.evaluate(async () => {
    const cancel = [...document.querySelectorAll('button')].find((button) => button.textContent === 'Cancel')!;
    const begun = performance.now();
    cancel.click();
    while (!document.body.innerText.includes('Cancelled after')) await new Promise((done) => setTimeout(done, 2));
    return performance.now() - begun;
  });
  line('from Cancel until it says so', { figure: waited, most: 100, unit: 'ms' });
  await context.close();
}

/** Notes tasks of the screen's thread that are longer than 50 ms, from now on. */
async function watchTasks(page: Page): Promise<() => Promise<number[]>> {
  await page.evaluate(() => {
    const found: number[] = [];
    new PerformanceObserver((list) => found.push(...list.getEntries().map(({ duration }) => duration))).observe({
      entryTypes: ['longtask'],
    });
    Object.assign(window, { longTasks: found });
  });
  return () => page.evaluate(() => (window as unknown as { longTasks: number[] }).longTasks.splice(0));
}

/** Tasks that are shorter than 50 ms are not told by browsers. */
const tellLongest = (what: string, long: readonly number[]): void =>
  line(what, {
    figure: Math.max(0, ...long),
    most: 50,
    unit: 'ms',
    note: long.length === 0 ? 'none as long as 50 ms' : `${long.length} longer than 50 ms`,
  });

/** A bundle of everything saved, looked through, and taken in where nothing is. */
async function bundle(): Promise<void> {
  const { context, page } = await newVisitor(browser);
  await goTo(page, `${server.address}/shelf`);
  await waitForText(page, 'Nothing is kept yet');
  await fillShelf(page, EMBEDS, server.port);
  await goTo(page, 'about:blank');
  await goTo(page, `${server.address}/shelf`);
  await page.waitForSelector('output[aria-busy="false"]');
  const tasks = await watchTasks(page);
  await press(page, 'button', 'Backup');
  const file = await savedBy(page, () => press(page, 'button', 'Save everything'));
  tellLongest(`longest task while ${EMBEDS} embeds are saved as a bundle`, await tasks());
  await context.close();
  const other = await newVisitor(browser);
  await goTo(other.page, `${server.address}/shelf`);
  await waitForText(other.page, 'Nothing is kept yet');
  await press(other.page, 'button', 'Backup');
  await find(other.page, 'button', 'Save everything');
  const others = await watchTasks(other.page);
  await giveFile(other.page, 'Bring a backup in', file.path);
  await find(other.page, 'button', `Take ${EMBEDS} in`);
  const looking = await others();
  await press(other.page, 'button', `Take ${EMBEDS} in`);
  await waitForText(other.page, `${said(EMBEDS)} things are imported.`);
  await waitForText(other.page, `${said(EMBEDS)} embeds`);
  await other.page.waitForSelector('output[aria-busy="false"]');
  tellLongest(`longest task while they are looked through and taken in`, [...looking, ...(await others())]);
  forget(file);
  await other.context.close();
}

await shelf();
await bundle();
await batch();
sayDisturbed();
await browser.close();
await server.stop();
