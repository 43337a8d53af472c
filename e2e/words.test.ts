import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import type { Page } from 'puppeteer-core';
import { describe, expect, test } from 'vitest';
import { allowClipboard, find, goTo, newVisitor, press, readClipboard, until, waitForText } from './driver.ts';
import { OPEN, pseudo as say, speakPseudo, SHUT, untranslated } from './pseudo.ts';
import { waitForNoDialog } from './bench.ts';
import { useServerAndBrowser } from './world.ts';

const world = useServerAndBrowser();

/** Every text of the sample world: names, titles and what cards say of their hosts are in the language of those who wrote them. */
async function ownWords(): Promise<string[]> {
  const given = await Promise.all(
    ['hosts', 'sites', 'demo'].map(
      async (name) => (await fetch(`${world.server.address}/api/${name}`)).json() as Promise<unknown>,
    ),
  );
  const texts = new Set<string>();
  const collect = (value: unknown): void => {
    // A sample may show the first sentence alone.
    if (typeof value === 'string') [value, ...value.split(/(?<=[.!?])\s+/)].forEach((text) => texts.add(text));
    else if (value !== null && typeof value === 'object')
      for (const [key, inside] of Object.entries(value)) {
        texts.add(key);
        collect(inside);
      }
  };
  collect(given);
  collect(JSON.parse(readFileSync(join(import.meta.dirname, '../demo/items.json'), 'utf8')));
  return [...texts].filter((text) => /\p{L}{2}/u.test(text)).sort((a, b) => b.length - a.length);
}

/** Units, formats and words of code are the same in every language. */
const SAME_EVERYWHERE =
  /^(?:px|kB|RSS|Atom|JSON Feed|XSPF|CSV|English|PT1M12S|en_GB|EN|Play|Show|Transcript|The sluice opens|A press loads this from \{host\}\.)$/;
/** What looks like an address, a parameter or a tag is none of ours. */
const IS_CODE = /^[#/]|:\/\/|^[\w-]+=|^link;title/;

/** What is left of a text once names of the sample world are taken out of it. */
function leftOf(stray: string, own: readonly string[]): string {
  const [, text = ''] = /^(?:[\w-]+: )?([\s\S]*)$/.exec(stray)!;
  if (IS_CODE.test(text) || SAME_EVERYWHERE.test(text) || own.includes(text)) return '';
  return own.filter((one) => one.length > 5).reduce((rest, one) => rest.replaceAll(one, ''), text);
}

async function speakingPseudo(width = 1280, padded = false): Promise<{ page: Page; close: () => Promise<void> }> {
  const { page, context } = await newVisitor(world.browser, { width, height: 800 });
  await speakPseudo(page, padded);
  await goTo(page, world.server.address);
  await until(page, (name) => document.querySelector('.anatomy')?.textContent.includes(name), 'Lanternreel');
  return { page, close: () => context.close() };
}

test('everything that is read on every screen stands in the catalogues', async () => {
  const own = await ownWords();
  const { page, close } = await speakingPseudo();
  const strays = new Map<string, string>();
  const look = async (where: string): Promise<void> => {
    for (const stray of await untranslated(page))
      if (/\p{L}{2}/u.test(leftOf(stray, own))) strays.set(stray, strays.get(stray) ?? where);
  };
  const dialog = async (name: string): Promise<void> => {
    await press(page, 'button', say(name));
    await page.waitForSelector('[role="dialog"]');
    await look(name);
    await press(page, 'button', say('Close'));
    await waitForNoDialog(page);
  };
  await find(page, 'button', say('Play it through'));
  await look('Bench');
  for (const token of await page.$$('.stations .token:not(.station-more)')) {
    await token.click();
    await page.waitForSelector('[role="dialog"]');
    await look('the editor of a setting');
    await press(page, 'button', say('Done'));
    await waitForNoDialog(page);
  }
  for (const name of ['Compare', 'Several types', 'Published code', 'Dates']) await dialog(name);
  await page.keyboard.press('?');
  await page.waitForSelector('[role="dialog"]');
  await look('Shortcuts');
  await press(page, 'link', say('All help'));
  await find(page, 'searchbox', say('Search the help'));
  await look('Help');
  await goTo(page, `${world.server.address}/shelf`);
  await press(page, 'button', say('Show it with examples'));
  await press(page, 'button', `${OPEN}More on Tidewater Radio${SHUT}`);
  await find(page, 'button', say('Texts for a post'));
  await look('Shelf');
  for (const name of ['Texts for a post', 'Calendar', 'Backup']) await dialog(name);
  await goTo(page, `${world.server.address}/batch`);
  await press(page, 'button', say('Try an example'));
  await press(page, 'button', say('Make the codes'));
  await find(page, 'button', say('Save as CSV'));
  await look('Batch');
  await goTo(page, `${world.server.address}/sweep`);
  await press(page, 'button', say('Try a sample site'));
  await (await page.waitForSelector('.sweep-place'))!.click();
  await find(page, 'button', say('Open on the Bench'));
  await look('Sweep');
  await goTo(page, `${world.server.address}/orders`);
  await press(page, 'button', say('New running order'));
  await find(page, 'textbox', say('Add by link, or from the Shelf by its title'));
  await look('Orders');
  for (const [path, heading] of [
    ['sites', 'What its editor keeps'],
    ['hosts', 'Host book'],
    ['hosts/lanternreel', 'From link to frame'],
    ['hosts/lanternreel/edit', 'Conditions'],
    ['hosts/teach', 'Teach a host'],
    ['hosts/libraries', 'Card libraries'],
    ['connect', 'From a page editor'],
  ] as const) {
    await goTo(page, `${world.server.address}/${path}`);
    await find(page, 'heading', say(heading));
    await look(path);
  }
  expect([...strays].map(([stray, where]) => `${where}: ${stray}`)).toEqual([]);
  await close();
});

/** Words that are cut off, or stand over the edge of the window. */
const cutOff = (page: Page): Promise<string[]> =>
  page.evaluate(() =>
    [
      ...document.querySelectorAll<HTMLElement>(
        'main button, main label, main h1, main h2, main p, main small, nav a, nav button',
      ),
    ]
      .filter(
        (element) =>
          element.offsetParent !== null &&
          element.closest('.anatomy, .cm-editor, .stage, .grid-frame, .palette, .hidden-words') === null,
      )
      .filter((element) => {
        const { left, right } = element.getBoundingClientRect();
        const hidden = element.scrollWidth > element.clientWidth + 1 && getComputedStyle(element).overflowX !== 'visible';
        return hidden || right > innerWidth + 1 || left < -1;
      })
      .map((element) => `${element.className}: ${element.textContent.slice(0, 50)}`),
  );

describe.each([
  ['rtl', 1024],
  ['ltr', 390],
] as const)('with words longer by a third, %s, %d px wide', (direction, width) => {
  test('nothing is cut off', async () => {
    const { page, close } = await speakingPseudo(width, true);
    const cut: string[] = [];
    await page.evaluate((to) => (document.documentElement.dir = to), direction);
    await page.waitForSelector('.stations');
    for (const path of ['', 'shelf', 'batch', 'sweep', 'orders', 'sites', 'hosts', 'connect']) {
      if (path !== '') {
        await page.evaluate((to) => document.querySelector<HTMLElement>(`nav a[href="/${to}"]`)!.click(), path);
        await page.waitForSelector('main h1');
      }
      cut.push(...(await cutOff(page)).map((words) => `/${path}: ${words}`));
    }
    expect(cut).toEqual([]);
    await close();
  });
});

test('German is spoken after one press, by the browser’s wish at first, and takes a code to the clipboard', async () => {
  const { page, context } = await newVisitor(world.browser);
  await goTo(page, world.server.address);
  await waitForText(page, 'Opening the sluice');
  await press(page, 'button', 'Deutsch');
  await allowClipboard(page);
  await press(page, 'button', 'Code kopieren');
  await waitForText(page, 'Kopiert');
  expect(await readClipboard(page)).toContain('<iframe');
  expect(await page.evaluate(() => document.documentElement.lang)).toBe('de');
  await press(page, 'button', 'English');
  await find(page, 'button', 'Copy the code');
  await context.close();

  const other = await newVisitor(world.browser);
  await other.page.evaluateOnNewDocument(() =>
    Object.defineProperty(navigator, 'languages', { value: ['de-AT', 'en'], configurable: true }),
  );
  await goTo(other.page, world.server.address);
  await find(other.page, 'button', 'Code kopieren');
  await other.context.close();
});
