import type { Page } from 'puppeteer-core';
import { describe, expect, test } from 'vitest';
import { makeBook } from '../src/core/hosts/book.ts';
import { loadCards } from '../src/core/hosts/loadCards.ts';
import { bringIn as recognise, makeEmbed } from '../src/core/pipeline.ts';
import type { Settings } from '../src/core/settings/list.ts';
import { FORMS } from '../src/core/write/forms/list.ts';
import { readCardFiles } from '../src/standins/world.ts';
import { bringIn, choose, copyCode, openBench, type } from './bench.ts';
import { find, newVisitor, press, serveForeignPage, waitForText } from './driver.ts';
import { useServerAndBrowser } from './world.ts';

/** Sizes as they come out in a page of somebody else, at the widths of a phone, a tablet and a desktop. */
const world = useServerAndBrowser();
const WIDTHS = [390, 820, 1280] as const;
/** The foreign page: a column of at most so much, with the body's own margin on both sides. */
const COLUMN = 720;
const MARGIN = 8;

interface Box {
  left: number;
  top: number;
  width: number;
  height: number;
  /** Space above and below within the body. */
  above: number;
  below: number;
}

const EMBED = 'iframe, a[data-frame]';
const measure = (page: Page): Promise<Box> =>
  page.$eval(EMBED, (embed) => {
    const { left, top, width, height } = embed.getBoundingClientRect();
    const holder = embed.matches('a') ? embed.parentElement! : embed;
    const { marginTop, marginBottom } = getComputedStyle(holder);
    return { left, top, width, height, above: parseFloat(marginTop), below: parseFloat(marginBottom) };
  });

async function measureAt(code: string, widths: readonly number[]): Promise<Box[]> {
  const foreign = await serveForeignPage(code);
  const { context, page } = await newVisitor(world.browser);
  const boxes: Box[] = [];
  for (const width of widths) {
    await page.setViewport({ width, height: 900 });
    await page.goto(foreign.address, { waitUntil: 'domcontentloaded' });
    await page.waitForSelector(EMBED);
    boxes.push(await measure(page));
  }
  await context.close();
  await foreign.stop();
  return boxes;
}

const SETTINGS: readonly Settings[] = [
  {},
  { widthMode: 'atMost', width: 400, ratio: '4:3', align: 'centre' },
  { widthMode: 'fixed', width: 300, height: 200 },
];

describe('every form of code with a frame measures as planned', () => {
  test.each(FORMS.filter((form) => !form.frameless && form.language === 'html' && form.id !== 'page').map(({ id }) => id))(
    '%s',
    async (form) => {
      const book = makeBook(loadCards(readCardFiles(world.server.port)).cards);
      const { item } = recognise(`${world.host('lanternreel')}/see/k7wq2m9d`, book)[0]!;
      for (const settings of SETTINGS) {
        const { code, plan } = makeEmbed(item!, settings, { book, site: null, form, facts: {} });
        const boxes = await measureAt(code.text, WIDTHS);
        WIDTHS.forEach((screen, i) => {
          const column = Math.min(COLUMN, screen - 2 * MARGIN);
          const rigid = plan.box.mode === 'fixed' || form === 'fixed';
          const wide = plan.box.mode === 'fill' && !rigid ? column : rigid ? plan.box.width : Math.min(column, plan.box.width);
          const ratio = settings.ratio === '4:3' ? 4 / 3 : 16 / 9;
          const scale = rigid ? plan.box.width : wide;
          const high = settings.height === undefined ? scale / ratio : Number(settings.height);
          expect([boxes[i]!.width, Math.round(boxes[i]!.height)], `${form} ${JSON.stringify(settings)} at ${screen}`).toEqual([
            wide,
            Math.round(high),
          ]);
        });
      }
    },
  );
});

describe('on the Bench', () => {
  test('a square loop that filled the desktop is brought to 340 px, centred, with space around it', async () => {
    const { context, page } = await newVisitor(world.browser);
    await openBench(page, world.server.address);
    await bringIn(page, `${world.host('loopwick')}/l/stone-turning-7stn4`);
    await find(page, 'button', 'usual width');
    await choose(page, 'usual width', 'Width', 'Fill the column');
    await waitForText(page, 'more than the screen of a laptop shows');
    await press(page, 'button', 'At most 600 px wide');
    await type(page, '600 px wide', 'Width in pixels', '340');
    await choose(page, 'at the start', 'Alignment', 'Centre');
    await type(page, 'no space above', 'Space above', '24');
    await type(page, 'no space below', 'Space below', '24');
    const code = await copyCode(page);
    await context.close();
    const [phone, desktop] = await measureAt(code, [390, 1280]);
    for (const [box, column] of [
      [phone!, 390 - 2 * MARGIN],
      [desktop!, COLUMN],
    ] as const) {
      expect(box).toMatchObject({ width: 340, height: 340, above: 24, below: 24 });
      expect(box.left - MARGIN).toBe((column - 340) / 2);
    }
  });

  test('the screens of the site stand side by side, each with its own width, and give way to one again', async () => {
    const { context, page } = await newVisitor(world.browser);
    await openBench(page, world.server.address);
    await bringIn(page, `${world.host('lanternreel')}/see/k7wq2m9d`);
    await waitForText(page, 'Opening the sluice');
    await press(page, 'button', 'All screens side by side');
    await page.waitForFunction(() => document.querySelectorAll('.sheet iframe').length === 3);
    const widths = await page.$$eval('.sheet iframe', (frames) => frames.map((frame) => parseFloat(frame.style.width)));
    expect(widths).toEqual([390, 820, 1280]);
    const inner = await Promise.all(
      (await page.$$('.sheet iframe')).map(async (frame) => {
        const content = await (frame as never as { contentFrame: () => Promise<Page> }).contentFrame();
        await content.waitForSelector('.slot iframe');
        return content.$eval('.slot iframe', (embed) => embed.getBoundingClientRect().width);
      }),
    );
    expect(inner).toEqual([342, 720, 720]);
    await press(page, 'button', 'One screen');
    await page.waitForFunction(() => document.querySelectorAll('.sheet iframe').length === 1);
    await find(page, 'slider', 'Width of the embed');
    await context.close();
  });
});
