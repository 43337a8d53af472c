import type { Page } from 'puppeteer-core';
import { describe, expect, test } from 'vitest';
import { bringIn, codeOf, openBench, type, waitForCode } from './bench.ts';
import { find, goTo, newVisitor, press, until, waitForText } from './driver.ts';
import { useServerAndBrowser } from './world.ts';

const world = useServerAndBrowser();
const { host } = world;

async function visit(path: string, work: (page: Page) => Promise<void>): Promise<void> {
  const { context, page } = await newVisitor(world.browser);
  await goTo(page, world.server.address + path);
  await work(page);
  await context.close();
}

const pathOf = (page: Page): string => new URL(page.url()).pathname;

describe('addresses', () => {
  test('one under which nothing is saved shows the example, and says so', () =>
    visit('/bench/nowhere', async (page) => {
      await waitForText(page, 'Nothing is saved in this browser under that address. Here is an example instead.');
      await waitForText(page, 'Opening the sluice');
      expect(pathOf(page)).toBe('/bench/example');
    }));

  test('a Shelf with nothing on it says what will come, and leads to the Bench', () =>
    visit('/shelf', async (page) => {
      await waitForText(page, 'Nothing is kept yet.');
      await press(page, 'button', 'Show it with examples');
      await waitForText(page, '6 of these are examples.');
      await waitForText(page, 'Bread festival');
      await press(page, 'button', 'Clear the examples');
      await waitForText(page, 'Nothing is kept yet.');
      const links = await page.$$('main a');
      await links[0]!.click();
      await waitForText(page, 'Opening the sluice');
    }));

  test('each embed has its own; back and forward walk between them, and undo crosses a paste', () =>
    visit('/', async (page) => {
      await bringIn(page, `${host('lanternreel')}/see/f3rryday`);
      await waitForText(page, 'The ferry at first light');
      await type(page, 'from the start', 'Start time', '31');
      const ferry = pathOf(page);
      await bringIn(page, `${host('murmurfold')}/estuary-ferry/bell-in-fog`);
      await waitForText(page, 'A bell in the fog');
      const bell = pathOf(page);
      expect(bell).not.toBe(ferry);
      await page.goBack();
      await waitForText(page, 'begins at 0:31');
      expect(pathOf(page)).toBe(ferry);
      await page.goForward();
      await waitForText(page, 'A bell in the fog');
      await bringIn(page, 'nothing of use');
      await waitForText(page, 'There is neither a link nor embed code');
      await press(page, 'button', 'Undo');
      await waitForText(page, 'A bell in the fog');
      await until(page, (path: string) => location.pathname === path, bell);
    }));

  test('opening what is saved does not count as a change', () =>
    visit('/', async (page) => {
      for (const id of ['f3rryday', 'r0pesp1c']) {
        await bringIn(page, `${host('lanternreel')}/see/${id}`);
        await waitForCode(page, id);
        await waitForText(page, id === 'f3rryday' ? 'The ferry at first light' : 'Splicing a mooring rope');
      }
      const titles = (): Promise<string[]> => page.$$eval('.shelf-title a', (cells) => cells.map((cell) => cell.textContent));
      await press(page, 'link', 'Shelf');
      await find(page, 'link', 'The ferry at first light');
      expect(await titles()).toEqual(['Splicing a mooring rope', 'The ferry at first light']);
      await press(page, 'link', 'The ferry at first light');
      await waitForText(page, 'standing still');
      expect(await codeOf(page)).toContain('f3rryday');
      await press(page, 'link', 'Shelf');
      await find(page, 'link', 'The ferry at first light');
      expect(await titles()).toEqual(['Splicing a mooring rope', 'The ferry at first light']);
    }));
});

test('dropping a link on the Bench brings it in', async () => {
  const { context, page } = await newVisitor(world.browser);
  await openBench(page, world.server.address);
  await waitForText(page, 'Opening the sluice');
  await page.evaluate(
    (link: string) => {
      const data = new DataTransfer();
      data.setData('text/uri-list', `${link}\r\n`);
      document
        .querySelector('.moments')!
        .dispatchEvent(new DragEvent('drop', { dataTransfer: data, bubbles: true, cancelable: true }));
    },
    `${host('foliobarn')}/d/saf-1p4z8r/released`,
  );
  await waitForText(page, 'Safety on the landing stage');
  await context.close();
});
