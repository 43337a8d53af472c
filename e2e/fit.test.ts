import { runInNewContext } from 'node:vm';
import type { Page } from 'puppeteer-core';
import React, { type ReactNode } from 'react';
import { renderToStaticMarkup } from 'react-dom/server';
import ts from 'typescript';
import { describe, expect, test } from 'vitest';
import { makeBook } from '../src/core/known/hosts/book.ts';
import { loadCards } from '../src/core/known/hosts/loadCards.ts';
import { bringIn as recognise, makeEmbed } from '../src/core/pipeline.ts';
import type { Settings } from '../src/core/known/settings/list.ts';
import { FORMS } from '../src/core/steps/write/forms/list.ts';
import { contrastOf } from '../src/core/model/contrast.ts';
import { readCardFiles, readSites } from '../src/standins/world.ts';
import { bringIn, choose, copyCode, openBench, openToken, replaceText, type } from './bench.ts';
import {
  find,
  goTo,
  lookIntoFrames,
  newVisitor,
  press,
  publish,
  serveForeignPage,
  until,
  waitFor,
  waitForNoText,
  waitForText,
} from './driver.ts';
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
      const book = makeBook(loadCards(readCardFiles(world.server.address)).cards);
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

describe('forms for other kinds of pages measure as planned', () => {
  const embed = (form: 'jsx' | 'page', settings: Settings): string => {
    const book = makeBook(loadCards(readCardFiles(world.server.address)).cards);
    const { item } = recognise(`${world.host('lanternreel')}/see/k7wq2m9d`, book)[0]!;
    return makeEmbed(item!, settings, { book, site: null, form, facts: {} }).code.text;
  };

  test('jsx, compiled and rendered as such pages do it', async () => {
    const component = ts.transpileModule(`export const made = (${embed('jsx', { title: 'Sluice', background: '#334455' })});`, {
      compilerOptions: { jsx: ts.JsxEmit.React, module: ts.ModuleKind.CommonJS },
    });
    const shared: { made?: ReactNode } = {};
    runInNewContext(component.outputText, { exports: shared, React });
    const boxes = await measureAt(renderToStaticMarkup(shared.made), WIDTHS);
    expect(boxes.map(({ width, height }) => [width, Math.round(height)])).toEqual(
      WIDTHS.map((screen) => Math.min(COLUMN, screen - 2 * MARGIN)).map((width) => [width, Math.round((width * 9) / 16)]),
    );
  });

  test('a whole page, in its own column', async () => {
    const boxes = await measureAt(embed('page', {}), WIDTHS);
    const widths = WIDTHS.map((screen) => Math.min(720, screen - 32));
    expect(boxes.map(({ width, height }) => [width, Math.round(height)])).toEqual(
      widths.map((width) => [width, Math.round((width * 9) / 16)]),
    );
  });
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
    await choose(page, 'aligned left', 'Alignment', 'Centre');
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

  /** What comes of a paste, worked on as the publisher would, in the foreign page. */
  async function made(pasted: string, work: (page: Page) => Promise<void>, path = '/'): Promise<string> {
    const { context, page } = await newVisitor(world.browser);
    await goTo(page, world.server.address + path);
    if (path !== '/') await columnOf(page, 668);
    await openBench(page, world.server.address);
    await bringIn(page, pasted);
    await work(page);
    const code = await copyCode(page);
    await context.close();
    return code;
  }

  async function columnOf(page: Page, pixels: number): Promise<void> {
    await replaceText(page, await find(page, 'spinbutton', 'Column'), String(pixels));
    await find(page, 'button', 'Back to the shipped one');
  }

  test('a code of 720 px is brought into a column of 668 px, and keeps its ratio', async () => {
    const wide = `<iframe width="720" height="405" src="${world.host('frames.lanternreel')}/f/k7wq2m9d"></iframe>`;
    const code = await made(
      wide,
      async (page) => {
        await waitForText(page, 'The frame is 720 px wide and the column 668 px');
        await press(page, 'button', 'Make it 668 px');
        await waitForNoText(page, 'and the column 668 px');
      },
      '/sites/mill',
    );
    const [box] = await measureAt(code, [1280]);
    expect(box!.width).toBe(668);
    expect(Math.abs(box!.width / box!.height - 16 / 9)).toBeLessThan(0.01);
  });

  test('a document that comes without a size gets one', async () => {
    const bare = `<iframe src="${world.host('foliobarn')}/d/rcp-9n3d1f/released?frame=yes"></iframe>`;
    const [before] = await measureAt(bare, [1280]);
    expect([Math.round(before!.width), Math.round(before!.height)]).toEqual([304, 154]);
    const [phone, desktop] = await measureAt(await made(bare, (page) => waitForText(page, 'Recipes')), [390, 1280]);
    expect([phone!.width, desktop!.width]).toEqual([390 - 2 * MARGIN, COLUMN]);
    expect(Math.min(phone!.height, desktop!.height)).toBeGreaterThan(300);
  });

  test('a form gets no scroll bars of its own, on a phone either', async () => {
    const code = await made(`${world.host('askmeadow')}/ask/br3ado`, async (page) => {
      await openToken(page, 'usual height', 'Height in pixels');
      await waitForText(page, 'as high as its content on a phone');
      await (await page.waitForSelector('.offers .offer'))!.click();
      await press(page, 'button', 'Done');
    });
    for (const width of [390, 1280]) {
      const site = await publish(world.browser, code);
      await site.page.setViewport({ width, height: 900 });
      const content = await (await site.page.waitForSelector('iframe'))!.contentFrame();
      await until(content, () => document.fonts.status === 'loaded' && document.readyState === 'complete');
      const [inside, room] = await content.evaluate(() => [document.documentElement.scrollHeight, window.innerHeight]);
      expect(inside!, `at ${width}`).toBeLessThanOrEqual(room!);
      await site.close();
    }
  });

  test('a booklet that loads all its pages is warned of, and then waits until a visitor comes near', async () => {
    const code = await made(`${world.host('gatherfold')}/read/AN1126`, async (page) => {
      await choose(page, 'background sound as usual', 'Background sound', 'on');
      await waitForText(page, 'it loads all its pages together with the page around it');
      await press(page, 'button', 'Load when near');
      await waitForNoText(page, 'it loads all its pages together');
    });
    const site = await publish(world.browser, `<div style="height:9000px"></div>${code}`);
    await new Promise((done) => setTimeout(done, 1000));
    expect(site.reports).toEqual([]);
    await site.page.evaluate(() => document.querySelector('iframe')!.scrollIntoView());
    await site.until((report) => 'fold' in report);
    await site.close();
  });

  test('an accent that cannot be seen on a dark site is exchanged for one that can', async () => {
    const code = await made(`${world.host('earbrook')}/show/millers-diary/3`, async (page) => {
      await choose(page, 'usual theme', 'Theme', 'Dark');
      await type(page, 'usual colour', 'Accent colour', '#2a2c30');
      await waitForText(page, 'buttons and bars need 3 to 1 to be seen');
      await (await page.waitForSelector('.finding[data-severity="warning"] button'))!.click();
      await waitForNoText(page, 'buttons and bars need');
    });
    const site = await publish(world.browser, code);
    const { tint } = await site.until((report) => report.ear === 'pricked');
    await site.close();
    const { dark, palette } = readSites(world.server.address)[0]!;
    expect(contrastOf(String(tint), dark.ground)).toBeGreaterThanOrEqual(3);
    expect(palette.map(({ colour }) => colour)).toContain(tint);
  });

  test('the screens of the site stand side by side, each with its own width, and give way to one again', async () => {
    const { context, page } = await newVisitor(world.browser);
    await openBench(page, world.server.address);
    await bringIn(page, `${world.host('lanternreel')}/see/k7wq2m9d`);
    await waitForText(page, 'Opening the sluice');
    await press(page, 'button', 'All screens side by side');
    await until(page, () => document.querySelectorAll('.sheet iframe').length === 3);
    const widths = await page.$$eval('.sheet iframe', (frames) => frames.map((frame) => parseFloat(frame.style.width)));
    expect(widths).toEqual([390, 820, 1280]);
    const inner = await waitFor('an embed on each screen', async () => {
      const preview = `${world.server.address.replace('localhost', 'preview.localhost')}/`;
      const seen = await lookIntoFrames(context, preview, () => {
        const embed = document.querySelector('.slot iframe');
        return embed && { screen: innerWidth, embed: embed.getBoundingClientRect().width };
      });
      return seen.length === 3 && seen.every((screen) => screen !== null) ? seen : null;
    });
    expect(inner.toSorted((a, b) => a.screen - b.screen)).toEqual([
      { screen: 390, embed: 342 },
      { screen: 820, embed: 720 },
      { screen: 1280, embed: 720 },
    ]);
    await press(page, 'button', 'One screen');
    await until(page, () => document.querySelectorAll('.sheet iframe').length === 1);
    await find(page, 'slider', 'Width of the embed');
    await context.close();
  });
});
