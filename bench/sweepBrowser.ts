import { rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { strToU8, zipSync } from 'fflate';
import type { Page } from 'puppeteer-core';
import { launchBrowser } from '../e2e/browser.ts';
import { find, goTo, newVisitor, press, startServer, waitForText } from '../e2e/driver.ts';
import { giveFile } from '../e2e/files.ts';
import { line } from './line.ts';
import { sayDisturbed } from './disturbed.ts';

/** A site of many pages swept in the browser: how long the screen is held up, how soon it stops, what it keeps. */
const PAGES = 10_000;
const SIZE = 50_000;

const [server, browser] = await Promise.all([startServer(), launchBrowser()]);
const { context, page } = await newVisitor(browser);

/** Opens so many pages, as if somebody had chosen them. */
async function openPages(to: Page, count: number): Promise<void> {
  await to.evaluate(
    (many, size, port) => {
      const prose = `<p>The pond fills twice a day, and the wheel turns <a href="/tides">after high water</a>.</p>\n`;
      const embed = `<iframe src="http://frames.lanternreel.localhost:${port}/f/k7wq2m9d"></iframe>`;
      const half = prose.repeat(Math.round(size / 2 / prose.length));
      const body = new Blob([`<!doctype html><title>T</title><h2>High water</h2>${half}${embed}${half}`]);
      const files = new DataTransfer();
      for (let i = 0; i < many; i++) files.items.add(new File([body], `page-${i}.html`));
      const field = document.querySelectorAll<HTMLInputElement>('.sweep-ways input[type="file"]');
      const last = field[field.length - 1]!;
      last.files = files.files;
      last.dispatchEvent(new Event('change', { bubbles: true }));
    },
    count,
    SIZE,
    server.port,
  );
}

await goTo(page, `${server.address}/sweep`);
await find(page, 'button', 'Try a sample site');
await page.evaluate(() => {
  const found: number[] = [];
  new PerformanceObserver((list) => found.push(...list.getEntries().map(({ duration }) => duration))).observe({
    entryTypes: ['longtask'],
  });
  Object.assign(window, { longTasks: found });
});
await openPages(page, PAGES);
await find(page, 'button', 'Cancel');
// What opening so many files costs is the driver's; from here on it is the sweep.
await page.evaluate(() => void (window as unknown as { longTasks: number[] }).longTasks.splice(0));
const from = performance.now();
await waitForText(page, `${PAGES.toLocaleString('en')} embeds of 1 item`, 600_000);
const seconds = (performance.now() - from) / 1000;
const long = await page.evaluate(() => (window as unknown as { longTasks: number[] }).longTasks.splice(0));
line(`longest task while ${PAGES} pages of 50 kB are swept`, {
  figure: Math.max(0, ...long),
  most: 50,
  unit: 'ms',
  note: `${seconds.toFixed(1)} s in all; ${long.length} longer than 50 ms`,
});
await press(page, 'button', 'New sweep');
await find(page, 'button', 'Try a sample site');
await openPages(page, PAGES);
await find(page, 'button', 'Cancel');
const waited = await page.evaluate(async () => {
  const cancel = [...document.querySelectorAll('button')].find((button) => button.textContent === 'Cancel')!;
  const begun = performance.now();
  cancel.click();
  while (!document.body.innerText.includes('Cancelled')) await new Promise((done) => setTimeout(done, 2));
  return performance.now() - begun;
});
line('from Cancel of a sweep until it says so', { figure: waited, most: 100, unit: 'ms' });

/** A site of small pages in one zip, from its opening until all of it is listed. */
async function ofZip(count: number): Promise<number> {
  await press(page, 'button', 'New sweep');
  await find(page, 'button', 'Try a sample site');
  const path = join(tmpdir(), `pages-${process.pid}.zip`);
  const text = strToU8(
    `<!doctype html><title>T</title>${'<p>The pond fills twice a day.</p>\n'.repeat(60)}<iframe src="http://frames.lanternreel.localhost:${server.port}/f/k7wq2m9d"></iframe>`,
  );
  writeFileSync(path, zipSync(Object.fromEntries(Array.from({ length: count }, (_, i) => [`${i}.html`, text])), { level: 1 }));
  const begun = performance.now();
  await giveFile(page, 'Open a zip or files', path);
  await waitForText(page, `${count.toLocaleString('en')} embeds of 1 item`, 600_000);
  rmSync(path);
  return performance.now() - begun;
}
const COUNTS = [100, 1000, 10_000, 100_000] as const;
let before = await ofZip(COUNTS[0]);
for (const [i, count] of COUNTS.slice(1).entries()) {
  const fewer = COUNTS[i]!;
  const ms = await ofZip(count);
  const note = `${(ms / 1000).toFixed(1)} s in all`;
  line(`a page of ${count} pages in a zip, against one of ${fewer}`, {
    figure: ms / count / (before / fewer),
    most: 1.2,
    unit: '×',
    note,
  });
  before = ms;
}
sayDisturbed();
await context.close();
await browser.close();
await server.stop();
