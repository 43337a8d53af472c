import type { Page } from 'puppeteer-core';
import { describe, expect, test } from 'vitest';
import { bringIn, copyCode, openBench, openToken, type, useBench } from './bench.ts';
import { find, newVisitor, press, serveForeignPage, until, waitForNoText, waitForText, watchPage } from './driver.ts';
import { useServerAndBrowser } from './world.ts';

/** Covers and what stands around an embed: made on the Bench, tried in a page of somebody else. */
const world = useServerAndBrowser();
const { host } = world;

const { anew } = useBench(world);

const codeFor = (link: string, work: (page: Page) => Promise<void>): Promise<string> =>
  anew(async (page) => {
    await bringIn(page, link);
    await work(page);
    return copyCode(page);
  });

async function takeCover(page: Page, form: string): Promise<void> {
  await page.select('.code-head select', form);
  await openToken(page, 'a plain cover', 'Cover picture');
  await press(page, 'button', 'Take the host’s picture');
  await find(page, 'slider', 'What matters in the picture');
  await until(page, () => / kB$/.test(document.querySelector('.cover-weight')!.textContent));
  await press(page, 'button', 'Done');
}

describe('a cover', () => {
  test.each(['cover', 'cover-script'])('%s: nothing comes from the host before the press, then it plays', async (form) => {
    const code = await codeFor(`${host('lanternreel')}/see/k7wq2m9d`, async (page) => {
      await waitForText(page, 'Opening the sluice');
      await takeCover(page, form);
      await type(page, 'usual cover words', 'Words on the cover', 'Watch the film');
    });
    expect(code).toContain('data:image/webp;base64,');
    const foreign = await serveForeignPage(code);
    const watch = await watchPage(world.browser, 'about:blank');
    const asked: string[] = [];
    watch.page.on('request', (request) => asked.push(new URL(request.url()).hostname));
    await watch.page.goto(foreign.address);
    const frame = form === 'cover' ? watch.page.frames().find((f) => f !== watch.page.mainFrame())! : watch.page.mainFrame();
    const words = (await frame.waitForSelector('::-p-text(Watch the film)'))!;
    expect(await frame.$eval('img', (img) => img.decode().then(() => img.naturalWidth))).toBeGreaterThan(300);
    expect(asked.filter((name) => name.includes('lanternreel'))).toEqual([]);
    await words.click();
    const began = await watch.until((r) => r.reel === 'rolling');
    expect(began.hushed).toBe(false);
    expect(asked).toContain('frames.lanternreel.localhost');
    await watch.close();
    await foreign.stop();
  });

  test('of an upright clip is upright, and a file is cropped where the publisher points', async () => {
    let size = '';
    await codeFor(`${host('lanternreel')}/upright/u4wheel0`, async (page) => {
      await waitForText(page, 'The wheel in forty seconds');
      await page.select('.code-head select', 'cover');
      await openToken(page, 'a plain cover', 'Cover picture');
      const field = (await page.waitForSelector('.cover-field input[type="file"]'))!;
      await (field as never as { uploadFile: (path: string) => Promise<void> }).uploadFile('demo/covers/k7wq2m9d.webp');
      const focus = await find(page, 'slider', 'What matters in the picture');
      await focus.focus();
      for (let i = 0; i < 30; i++) await page.keyboard.press('ArrowLeft');
      await until(page, () => document.querySelector<HTMLElement>('.cropper-part')!.style.left === '0%');
      await until(page, () => / kB$/.test(document.querySelector('.cover-weight')!.textContent));
      size = await page.$eval('.cover-weight', (element) => element.textContent);
      await press(page, 'button', 'Done');
      await type(page, 'its own ratio', 'Aspect ratio', '16:9');
      await waitForText(page, 'The cover is 0.56:1 and the frame 1.78:1: two of its sides are cut off.');
      await type(page, 'ratio 16:9', 'Aspect ratio', '9:16');
      await waitForNoText(page, 'two of its sides');
    });
    const [width, height] = /^(\d+) × (\d+)/.exec(size)!.slice(1).map(Number);
    expect(Math.abs(width! / height! - 9 / 16)).toBeLessThan(0.01);
  });

  test('what is no picture is told', async () => {
    const { context, page } = await newVisitor(world.browser);
    await openBench(page, world.server.address);
    await bringIn(page, `${host('lanternreel')}/see/k7wq2m9d`);
    await waitForText(page, 'Opening the sluice');
    await page.select('.code-head select', 'cover');
    await openToken(page, 'a plain cover', 'Cover picture');
    const field = (await page.waitForSelector('.cover-field input[type="file"]'))!;
    await (field as never as { uploadFile: (path: string) => Promise<void> }).uploadFile('package.json');
    await waitForText(page, 'This could not be read as a picture');
    await context.close();
  });
});

test('heading, caption and text stand around the player, which goes on playing while they are written', async () => {
  const code = await codeFor(`${host('lanternreel')}/see/k7wq2m9d`, async (page) => {
    await waitForText(page, 'Opening the sluice');
    await press(page, 'button', 'Play the preview without sound');
    await waitForText(page, 'In the preview: playing');
    await type(page, 'no heading', 'Heading', 'The sluice');
    await type(page, 'no text', 'Text', 'Twice a day.');
    await type(page, 'no caption', 'Caption', 'From the causeway');
    await waitForText(page, 'In the preview: playing');
  });
  expect(code).toMatch(
    /^<h2>The sluice<\/h2><p>Twice a day\.<\/p><figure .*<figcaption>From the causeway<\/figcaption><\/figure>$/,
  );
});
