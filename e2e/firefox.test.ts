import type { Browser, Page } from 'puppeteer-core';
import { afterAll, beforeAll, expect, test } from 'vitest';
import { choose, codeOf, replaceText, waitForCode } from './bench.ts';
import { launchFirefox } from './browser.ts';
import { find, newVisitor, press, startServer, waitForText, type Running } from './driver.ts';

/** What every browser must do, in one that is not Chromium. */
let server: Running;
let firefox: Browser;
beforeAll(async () => {
  [server, firefox] = await Promise.all([startServer(), launchFirefox()]);
});
afterAll(async () => {
  await firefox.close();
  await server.stop();
});

async function visit(path: string, work: (page: Page) => Promise<void>): Promise<void> {
  const { context, page } = await newVisitor(firefox);
  await page.goto(`${server.address}${path}`);
  await work(page);
  await context.close();
}

test('the main job, the Shelf after it, and a play-through', () =>
  visit('/', async (page) => {
    await waitForText(page, 'Opening the sluice');
    const line = await find(page, 'textbox', 'Share link or embed code');
    await replaceText(page, line, `http://lanternreel.localhost:${server.port}/see/f3rryday?at=31s`);
    await waitForText(page, 'The ferry at first light');
    await choose(page, 'waits for a press', 'Autoplay', 'on');
    await press(page, 'button', 'Start muted');
    await waitForCode(page, 'hush=1');
    expect(await codeOf(page)).toMatch(/auto=1&amp;hush=1&amp;from=31/);
    await waitForText(page, 'In the preview:');
    await press(page, 'button', 'Play it through');
    await page.waitForSelector('[aria-label="Play-through"][aria-busy="false"]');
    await waitForText(page, 'This browser opens frames with your cookies');
    await press(page, 'button', 'Back to the settings');
    await press(page, 'link', 'Shelf');
    await waitForText(page, 'The ferry at first light');
  }));

test('a batch of two rows', () =>
  visit('/batch', async (page) => {
    const box = await find(
      page,
      'textbox',
      'Paste or drop links, a text with links in it, CSV, cells of a spreadsheet, or a feed',
    );
    await replaceText(
      page,
      box,
      ['lanternreel', 'lanternreel']
        .map((host, i) => `http://${host}.localhost:${server.port}/see/${['k7wq2m9d', 'f3rryday'][i]}`)
        .join('\n'),
    );
    await press(page, 'button', 'Make the codes');
    await waitForText(page, '2 done');
  }));
