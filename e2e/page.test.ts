import type { Page } from 'puppeteer-core';
import { describe, expect, test } from 'vitest';
import { bringIn, choose, codeOf, copyCode, openBench, type, useBench, waitForNoCode } from './bench.ts';
import {
  find,
  newVisitor,
  press,
  publish,
  reload,
  restingPlace,
  serveForeignPage,
  until,
  waitForNoText,
  waitForText,
  watchPage,
} from './driver.ts';
import { misfit } from './observe.ts';
import { useServerAndBrowser } from './world.ts';

const world = useServerAndBrowser();
const { host } = world;

/** The page, its width rule and the handles on the embed. */
async function withVideo(work: (page: Page) => Promise<void>, width = 1280): Promise<void> {
  const { context, page } = await newVisitor(world.browser, { width, height: 800 });
  await openBench(page, world.server.address);
  await bringIn(page, `${host('lanternreel')}/see/f3rryday`);
  await waitForText(page, 'The ferry at first light');
  await waitForText(page, 'standing still');
  await work(page);
  await context.close();
}

const { onBench } = useBench(world);

/** The same where an embed was made before, for what does not go with how the screen stands. */
const goOnWithVideo = (work: (page: Page) => Promise<void>): Promise<void> =>
  onBench(async (page) => {
    await bringIn(page, `${host('lanternreel')}/see/f3rryday`);
    await waitForText(page, 'The ferry at first light');
    await find(page, 'button', 'from the start');
    await work(page);
  });

async function drag(page: Page, name: string, dx: number, dy: number): Promise<void> {
  const { x, y } = await restingPlace(page, 'slider', name);
  await page.mouse.move(x, y);
  await page.mouse.down();
  // The browser takes frames out of the way of the pointer with its next picture.
  await new Promise((done) => setTimeout(done, 100));
  await page.mouse.move(x + dx, y + dy, { steps: 6 });
  await page.mouse.up();
}

const codeHas = (page: Page, pattern: string) =>
  until(page, (p: string) => new RegExp(p).test(document.querySelector('[aria-label="The code"]')!.textContent), pattern);

/** What stands in the preview, measured in its own page. */
const previewWidth = async (page: Page, selector: string): Promise<number> => {
  const preview = page.frames().find((f) => f.url().startsWith('http://preview.'))!;
  return preview.$eval(selector, (element) => element.getBoundingClientRect().width);
};

describe('the width rule', () => {
  test('walks the page through widths by stops, keys, number and dragging, and the column follows', () =>
    withVideo(async (page) => {
      expect(await previewWidth(page, '.slot')).toBe(720);
      await press(page, 'button', 'phone 390');
      await page.waitForSelector('.rule-stop[aria-pressed="true"]');
      expect(await previewWidth(page, 'html')).toBe(390);
      expect(await previewWidth(page, 'iframe')).toBe(390 - 2 * 24);
      await (await find(page, 'slider', 'Width of the page')).focus();
      await page.keyboard.press('ArrowRight');
      await until(page, () => document.querySelector<HTMLInputElement>('.rule-number input')!.value === '391');
      await drag(page, 'Width of the page', 60, 0);
      const dragged = await page.$eval('.rule-number input', (input) => Number(input.value));
      expect(dragged).toBeGreaterThan(440);
    }));

  test('another site brings its own column, looks and text', () =>
    withVideo(async (page) => {
      await page.select('.site-choice select', 'bakehouse');
      const preview = page.frames().find((f) => f.url().startsWith('http://preview.'))!;
      await until(
        preview,
        () => document.body.innerText.includes('Tuesday’s loaf') || document.body.innerText.includes("Tuesday's loaf"),
      );
      expect(await previewWidth(page, '.slot')).toBe(600);
    }));
});

describe('the handles', () => {
  test('set the width, snap the shape to common ratios, and make space', () =>
    withVideo(async (page) => {
      await drag(page, 'Width of the embed', -150, 0);
      await codeHas(page, 'max-width:\\d{3}px');
      await drag(page, 'Shape of the embed', 0, 45);
      await codeHas(page, 'aspect-ratio:(4/3|3/2)|height:\\d+px');
      await drag(page, 'Space above the embed', 0, 30);
      await codeHas(page, 'margin-top:\\d{2}px');
      await (await find(page, 'slider', 'Space below the embed')).focus();
      await page.keyboard.press('ArrowDown');
      await codeHas(page, 'margin-bottom:1px');
      await drag(page, 'Width of the embed', 300, 0);
      await waitForNoCode(page, 'max-width');
      for (let i = 0; i < 5; i++) await press(page, 'button', 'Undo');
      expect(await codeOf(page)).not.toMatch(/margin|max-width/);
    }));
});

describe('forms of code', () => {
  test('fixed HTML that is too wide is told, and one press makes it fit', () =>
    goOnWithVideo(async (page) => {
      await page.select('.code-head select', 'fixed');
      await type(page, 'no width set', 'Width in pixels', '900');
      await waitForText(page, 'The frame is 900 px wide and the column 720 px');
      await press(page, 'button', 'Make it 720 px');
      await codeHas(page, 'width="720" height="405"');
    }));

  test('link alone says what it cannot carry', () =>
    goOnWithVideo(async (page) => {
      await type(page, 'from the start', 'Start time', '31');
      await type(page, 'plays to the end', 'End time', '40');
      await page.focus('.code-head select');
      await page.select('.code-head select', 'link');
      await waitForText(page, 'This code type cannot carry: ends at 0:40, titled “The ferry at first light”.');
      expect(await codeOf(page)).toBe(`${host('lanternreel')}/see/f3rryday?at=31s`);
    }));

  test('the whole page, saved and opened, behaves', () =>
    goOnWithVideo(async (page) => {
      await bringIn(page, `${host('frames.lanternreel')}/f/f3rryday?auto=1&hush=1&from=31`);
      await waitForText(page, 'In the preview: playing');
      await page.select('.code-head select', 'page');
      const code = await copyCode(page);
      expect(code).toMatch(/^<!doctype html>/);
      const foreign = await serveForeignPage(code);
      const visit = await watchPage(world.browser, foreign.address);
      expect(misfit(await visit.until((r) => r.reel === 'rolling'), { from: 31, muted: true })).toBeNull();
      await visit.close();
      await foreign.stop();
    }));
});

test('on a phone the page is shown as a phone shows it, and the code can be copied', () =>
  withVideo(async (page) => {
    expect(await previewWidth(page, 'html')).toBe(390);
    expect(await page.evaluate(() => document.documentElement.scrollWidth)).toBe(390);
    expect(await copyCode(page)).toContain('f3rryday');
  }, 390));

describe('what the frame may use', () => {
  /** What a player in a page of somebody else may do; its picture may be told to be small only by its document. */
  async function may(code: string): Promise<[fullscreen: boolean, small: boolean]> {
    const site = await publish(world.browser, code);
    const frame = await site.page.waitForSelector('iframe');
    const content = await frame!.contentFrame();
    await content.waitForSelector('[data-part]');
    const found = await content.evaluate(() => [document.fullscreenEnabled, document.pictureInPictureEnabled]);
    await site.close();
    return found as [boolean, boolean];
  }

  test('full screen and the small window are taken from a player, and given back', () =>
    goOnWithVideo(async (page) => {
      expect(await may(await copyCode(page))).toEqual([true, true]);
      await choose(page, 'full screen as usual', 'Full screen', 'off');
      await choose(page, 'small window as usual', 'Picture in picture', 'off');
      await codeHas(page, "fullscreen 'none'; picture-in-picture 'none'");
      expect(await may(await copyCode(page))).toEqual([false, false]);
      await choose(page, 'no full screen', 'Full screen', 'on');
      await codeHas(page, 'allowfullscreen');
      expect(await may(await copyCode(page))).toEqual([true, false]);
    }));

  test('code that says autoplay without the leave for it is told of, and one press gives the leave', () =>
    goOnWithVideo(async (page) => {
      const src = `${host('frames.lanternreel')}/f/f3rryday?auto=1&amp;hush=1`;
      await bringIn(page, `<iframe src="${src}" width="640" height="360" title="Ferry" allowfullscreen></iframe>`);
      await page.select('.code-head select', 'asItStands');
      await waitForText(page, 'The frame is not allowed autoplay');
      await press(page, 'button', 'Allow it');
      await codeHas(page, 'allow="autoplay"');
      await waitForNoText(page, 'The frame is not allowed');
    }));
});

test('the theme is remembered', async () => {
  const { context, page } = await newVisitor(world.browser);
  await openBench(page, world.server.address);
  await waitForText(page, 'Opening the sluice');
  const before = await page.evaluate(() => document.documentElement.dataset.theme);
  await press(page, 'button', 'Theme');
  await new Promise((done) => setTimeout(done, 300));
  await reload(page);
  await until(page, (was?: string) => document.documentElement.dataset.theme !== was, before);
  await context.close();
});
