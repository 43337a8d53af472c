import type { Page } from 'puppeteer-core';
import { describe, expect, test } from 'vitest';
import { bringIn, choose, codeOf, copyCode, replaceText, type, useBench, waitForCode } from './bench.ts';
import { find, press, publish, until, waitForText } from './driver.ts';
import { useServerAndBrowser } from './world.ts';

/** The code pane as an editor: code and settings are two views of one thing. */
const world = useServerAndBrowser();
const { host } = world;

const { onBench } = useBench(world);

const withCode = (pasted: string, work: (page: Page) => Promise<void>): Promise<void> =>
  onBench(async (page) => {
    await bringIn(page, pasted);
    await page.waitForSelector('.cm-content');
    await work(page);
  });

const frame = (): string => `${host('frames.lanternreel')}/f/f3rryday`;
/** Code as people have it: other quotes, white space, things that nobody knows. */
const pasted = (): string => `<!-- ferry --><IFRAME  src='${frame()}?glow=1&amp;from=9' width=560 height="315" data-k></iframe>`;

/** Puts the cursor right behind a piece of the code. */
async function putCursor(page: Page, behind: string): Promise<void> {
  await page.click('.cm-content');
  await page.evaluate((piece: string) => {
    const walker = document.createTreeWalker(document.querySelector('.cm-content')!, NodeFilter.SHOW_TEXT);
    for (let node = walker.nextNode(); node; node = walker.nextNode()) {
      const at = node.textContent!.indexOf(piece);
      if (at >= 0) return getSelection()!.collapse(node, at + piece.length);
    }
    throw new Error(`no ${piece}`);
  }, behind);
}

async function undo(page: Page): Promise<void> {
  await page.keyboard.down('Control');
  await page.keyboard.press('z');
  await page.keyboard.up('Control');
}

describe('the live code', () => {
  test('a parameter typed by hand moves its token, and obeys in a foreign page; undo crosses both views', () =>
    withCode(`${host('lanternreel')}/see/f3rryday`, async (page) => {
      await waitForText(page, 'The ferry at first light');
      await putCursor(page, '/f/f3rryday');
      await page.keyboard.type('?from=31&hush=1&auto=1');
      await waitForText(page, 'begins at 0:31');
      await waitForText(page, 'starts by itself');
      expect(await codeOf(page)).toContain('?from=31&hush=1&auto=1"');
      await choose(page, 'tracking as usual', 'Tracking', 'Reduced');
      await waitForCode(page, 'quiet.lanternreel');
      const code = await copyCode(page);
      await page.click('.cm-content');
      await undo(page);
      await waitForCode(page, 'frames.lanternreel');
      await undo(page);
      await waitForText(page, 'from the start');
      const site = await publish(world.browser, code);
      expect(await site.until((r) => r.reel === 'rolling')).toMatchObject({ hushed: true });
      expect(Number(site.reports.find((r) => r.reel === 'rolling')!.at)).toBeGreaterThan(29.5);
      await site.close();
    }));

  test('pasted code is kept to the byte, but for what is set; set back, it is the same', () =>
    withCode(pasted(), async (page) => {
      await page.select('.code-head select', 'asItStands');
      await waitForCode(page, '<IFRAME  src');
      const before = await codeOf(page);
      await type(page, 'begins at 0:09', 'Start time', '1:30');
      await waitForCode(page, 'from=90');
      expect(await codeOf(page)).toBe(before.replace('from=9', 'from=90'));
      await type(page, 'begins at 1:30', 'Start time', '9');
      await until(page, (w: string) => document.querySelector('[aria-label="The code"]')!.textContent === w, before);
    }));

  test('half-typed code is left alone, and what is wrong is marked in place', () =>
    withCode(`${host('lanternreel')}/see/f3rryday`, async (page) => {
      await waitForText(page, 'The ferry at first light');
      await putCursor(page, '/f/f3rry');
      for (let i = 0; i < 3; i++) await page.keyboard.press('Delete');
      await page.waitForSelector('.cm-lintRange-error');
      expect(await codeOf(page)).toContain('/f/f3rry"');
      await page.keyboard.type('day');
      await until(page, () => !document.querySelector('.cm-lintRange-error'));
      expect(await codeOf(page)).toContain('/f/f3rryday"');
    }));

  test('script code is kept with its settings laid in, or given back as a plain frame', () =>
    withCode(
      `<div class="shelf" data-fold-book="AN1126" data-fold-spread="2"></div>\n<script async src="${host('gatherfold')}/fold.js"></script>`,
      async (page) => {
        await waitForText(page, 'two pages side by side');
        expect(await codeOf(page)).toContain('<iframe');
        await page.select('.code-head select', 'asItStands');
        await waitForCode(page, 'data-fold-book');
        await choose(page, 'page notes as usual', 'Page notes', 'on');
        await waitForCode(page, 'data-fold-cues="1"');
        const site = await publish(world.browser, await copyCode(page));
        expect(await site.until((r) => r.fold === 'turned')).toMatchObject({ spread: 2, cues: true });
        await site.close();
      },
    ));
});

describe('before and after', () => {
  test('lays every difference beside each other, in words as well', () =>
    withCode(pasted(), async (page) => {
      await choose(page, 'suggests anything', 'Suggestions at the end', 'Same channel');
      await type(page, 'begins at 0:09', 'Start time', '20');
      await press(page, 'button', 'Compare');
      await find(page, 'dialog', 'Compare with what was pasted');
      await waitForText(page, 'suggestions at the end: suggests anything → suggests its own channel');
      await waitForText(page, 'start time: begins at 0:09 → begins at 0:20');
      await press(page, 'button', 'Close');
    }));
});

describe('a host that nobody knows', () => {
  test('lists its own parameters, and takes another value for one', () =>
    withCode('<iframe src="https://media.example/show/7?skin=blue&amp;x=3" width="600" height="340"></iframe>', async (page) => {
      await waitForText(page, 'No card knows this host');
      const field = await find(page, 'textbox', 'skin');
      await replaceText(page, field, 'green');
      await page.keyboard.press('Enter');
      await waitForCode(page, 'skin=green&amp;x=3');
    }));

  test('a media file becomes an element of our own, with its passage', () =>
    withCode(`${host('postern')}/media/tide.mp4#t=3,7`, async (page) => {
      await waitForCode(page, '<video');
      await waitForText(page, 'begins at 0:03');
      expect(await codeOf(page)).toContain('#t=3,7" controls playsinline');
    }));
});
