import { mkdtempSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import type { ElementHandle, Page } from 'puppeteer-core';
import { afterAll, describe, expect, test } from 'vitest';
import { readCardFiles } from '../src/standins/world.ts';
import { bringIn, selectAll } from './bench.ts';
import { find, goTo, press, reload, until, waitForText } from './driver.ts';
import { launchBrowser } from './browser.ts';
import { useServerAndBrowser, visitor } from './world.ts';

const world = useServerAndBrowser(launchBrowser);
const folder = mkdtempSync(join(tmpdir(), 'cards-'));
afterAll(() => rmSync(folder, { recursive: true }));

const visit = (path: string, work: (page: Page) => Promise<void>): Promise<void> =>
  visitor(world)(path, ['heading', 'Host book'], work);

/** A card of somebody's own host, in the open format. */
const card = (n: number): Record<string, unknown> => ({
  format: 'refenestra-host-card/1',
  id: `quay-${n}`,
  name: `Quayside ${n}`,
  updated: '2026-11-01',
  origins: { share: [`https://quay${n}.example`] },
  identifiers: { id: { name: 'film', shape: '[a-z]{4}', words: 'four small letters', example: 'abcd' } },
  targets: {
    film: {
      kind: 'video',
      scope: 'item',
      id: ['id'],
      canonical: `https://quay${n}.example/film/{id}`,
      frame: `https://quay${n}.example/frame/{id}`,
      fit: { by: 'ratio', ratio: '16:9', width: 640 },
      allow: [],
    },
  },
  links: [
    {
      id: 'film',
      name: 'film page',
      target: 'film',
      on: ['share'],
      path: '/film/:id',
      examples: [`https://quay${n}.example/film/abcd`],
    },
  ],
});

/** The card of the map, as somebody would have it under another name. */
const ownCard = (port: number, share: string): object => {
  const { text } = readCardFiles(`http://localhost:${port}`).find(({ name }) => name === 'waymoss.json')!;
  const card = JSON.parse(text) as { origins: object };
  return { ...card, id: 'mymoss', origins: { ...card.origins, share: [share] } };
};

async function bringCards(page: Page, data: unknown): Promise<void> {
  const file = join(folder, 'cards.json');
  writeFileSync(file, JSON.stringify(data));
  const field = (await page.$('.imports input[type="file"]')) as ElementHandle<HTMLInputElement>;
  await field.uploadFile(file);
}

describe('the Host book', () => {
  test('shows all hosts against all settings, and a card whose examples run through the recogniser', () =>
    visit('/hosts', async (page) => {
      await find(page, 'region', 'All hosts against all settings');
      expect((await page.$$('.book-grid thead th a')).length).toBe(readCardFiles(world.server.address).length);
      await page.select('select[aria-label="Kind of item"]', 'map');
      await until(page, () => document.querySelector('.book-grid thead')!.textContent === 'SettingWaymoss');
      expect(await page.$eval('.book-grid tbody', (body) => body.textContent)).not.toContain('Suggestions at the end');
      await page.select('select[aria-label="Kind of item"]', '');
      await press(page, 'link', 'Lanternreel');
      await waitForText(page, 'From link to frame');
      await waitForText(page, 'An end without any videos was withdrawn');
      await (await find(page, 'textbox', 'Try a link')).type('http://lanternreel.localhost/see/x');
      await waitForText(page, 'no card knows it');
    }));

  test('a card is copied, edited as drawing and as JSON with what is wrong told at its place, kept, and used on the Bench', () =>
    visit('/hosts/waymoss', async (page) => {
      await press(page, 'button', 'Copy as my own');
      await find(page, 'textbox', 'The card as JSON');
      const put = async (field: string, text: string): Promise<void> => {
        const input = await find(page, 'textbox', field);
        await input.focus();
        await selectAll(page);
        await page.keyboard.sendCharacter(text);
      };
      const type = async (text: string): Promise<void> => {
        await page.click('.cm-content');
        await selectAll(page);
        await page.keyboard.sendCharacter(text);
      };
      await put('Share links', 'javascript:x');
      await waitForText(page, 'an origin is scheme and host');
      const share = `http://mymoss.localhost:${world.server.port}`;
      await put('Share links', share);
      await put('Name of the host', 'My moss');
      await waitForText(page, '"name": "My moss"');
      await waitForText(page, `"${share}"`);
      await press(page, 'button', 'Undo in the card');
      await waitForText(page, '"name": "Waymoss (copy)"');
      await press(page, 'button', 'Redo in the card');
      await waitForText(page, '"name": "My moss"');
      const card = JSON.stringify({ ...ownCard(world.server.port, share), name: 'My own moss' }, null, 2);
      const wrong = card.replace('"target": "spot"', '"target": "spit"');
      await type(wrong);
      await waitForText(page, 'no target is called "spit"');
      expect(await page.$eval('.card-drawing', (drawing) => (drawing as HTMLFieldSetElement).disabled)).toBe(true);
      await press(page, 'button', `line ${wrong.slice(0, wrong.indexOf('"spit"')).split('\n').length}`);
      expect(await page.evaluate(() => getSelection()!.toString())).toBe('"spit"');
      await page.keyboard.sendCharacter('"spot"');
      await until(page, () => !document.querySelector<HTMLFieldSetElement>('.card-drawing')!.disabled);
      await press(page, 'button', 'Keep the card');
      await find(page, 'heading', 'My own moss');
      await reload(page);
      await find(page, 'heading', 'My own moss');
      await press(page, 'link', 'Bench');
      await waitForText(page, 'Opening the sluice');
      await bringIn(page, `${share}/place/harbour-wall`);
      await waitForText(page, 'My own moss');
    }));

  test('where a part of a link begins is moved on the drawing, by keys and by dragging', () =>
    visit('/hosts', async (page) => {
      await bringCards(page, [card(1)]);
      await goTo(page, `${world.server.address}/hosts/quay-1/edit`);
      const edge = await find(page, 'slider', 'Where “abcd” begins');
      await edge.press('ArrowRight');
      await waitForText(page, '"path": "/film/a:id"');
      await waitForText(page, '"frame": "https://quay1.example/frame/a{id}"');
      const moved = await find(page, 'slider', 'Where “bcd” begins');
      const { x, y, height } = (await moved.boundingBox())!;
      await page.mouse.move(x + 1, y + height / 2);
      await page.mouse.down();
      await page.mouse.move(x - 30, y + height / 2, { steps: 4 });
      await page.mouse.up();
      // Further than what stands there it does not go.
      await waitForText(page, 'It stays where it was');
      await (await find(page, 'slider', 'Where “bcd” begins')).press('ArrowLeft');
      await waitForText(page, '"path": "/film/:id"');
    }));

  test('of two hundred cards three are wrong: they are named and refused, the rest is in', () =>
    visit('/hosts', async (page) => {
      const cards = Array.from({ length: 200 }, (_, i) => card(i));
      cards[7] = { ...cards[7]!, identifiers: { id: { ...(card(7).identifiers as { id: object }).id, shape: '(a+)+' } } };
      delete cards[80]!.links;
      cards[150] = { ...cards[150]!, format: 'another' };
      await bringCards(page, cards);
      await waitForText(page, '197 cards imported, 3 refused:');
      await waitForText(page, 'cards.json[7], at identifiers.id.shape: a shape is classes');
      await waitForText(page, 'cards.json[80], at links');
      await waitForText(page, 'cards.json[150], at format');
      expect((await page.$$('.side-list > ul a')).length).toBe(210);
    }));

  test('two cards that claim one link are told', () =>
    visit('/hosts', async (page) => {
      await bringCards(page, [card(1), { ...card(1), id: 'other', name: 'The other one' }]);
      await waitForText(page, '2 cards imported.');
      await press(page, 'link', 'The other one your own');
      await waitForText(page, 'claims this link just as well');
      await press(page, 'link', 'Bench');
      await waitForText(page, 'Opening the sluice');
      await bringIn(page, 'https://quay1.example/film/abcd');
      await waitForText(page, 'claim this link with equal right');
    }));

  test('a provider list is taken, and a file that is none is not', () =>
    visit('/hosts', async (page) => {
      const field = (await page.$$('.imports input[type="file"]'))[1] as ElementHandle<HTMLInputElement>;
      const give = async (data: unknown): Promise<void> => {
        const file = join(folder, 'providers.json');
        writeFileSync(file, JSON.stringify(data));
        await field.uploadFile(file);
      };
      await give({ not: 'a list' });
      await waitForText(page, 'This is no provider list');
      await give([
        {
          provider_name: 'Quay',
          provider_url: 'https://quay.example',
          endpoints: [{ schemes: ['https://quay.example/f/*'], url: 'https://quay.example/oembed' }],
        },
      ]);
      await waitForText(page, '1 provider imported.');
    }));
});
