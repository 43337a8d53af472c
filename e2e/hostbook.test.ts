import { mkdtempSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import type { ElementHandle, Page } from 'puppeteer-core';
import { afterAll, describe, expect, test } from 'vitest';
import { bringIn } from './bench.ts';
import { find, goTo, newVisitor, press, reload, until, waitForText } from './driver.ts';
import { useServerAndBrowser } from './world.ts';

const world = useServerAndBrowser();
const folder = mkdtempSync(join(tmpdir(), 'cards-'));
afterAll(() => rmSync(folder, { recursive: true }));

async function visit(path: string, work: (page: Page) => Promise<void>): Promise<void> {
  const { context, page } = await newVisitor(world.browser);
  await goTo(page, world.server.address + path);
  await find(page, 'heading', 'Host book');
  await work(page);
  await context.close();
}

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
      expect((await page.$$('.grid thead th a')).length).toBe(13);
      await page.select('select[aria-label="Kind of item"]', 'map');
      await until(page, () => document.querySelector('.grid thead')!.textContent === 'SettingWaymoss');
      expect(await page.$eval('.grid tbody', (body) => body.textContent)).not.toContain('Related videos');
      await page.select('select[aria-label="Kind of item"]', '');
      await press(page, 'link', 'Lanternreel');
      await waitForText(page, 'From link to frame');
      await waitForText(page, 'An end without any videos was withdrawn');
      await (await find(page, 'textbox', 'Try a link')).type('http://lanternreel.localhost/see/x');
      await waitForText(page, 'no card knows it');
    }));

  test('a card is copied, edited with what is wrong told at its place, kept over a reload, and used on the Bench', () =>
    visit('/hosts/waymoss', async (page) => {
      await press(page, 'button', 'Copy as my own');
      const area = (await find(page, 'textbox', 'The card as JSON')) as ElementHandle<HTMLTextAreaElement>;
      const text = await area.evaluate((field) => field.value);
      const set = async (value: string): Promise<void> => {
        await area.evaluate((field, v) => {
          Object.getOwnPropertyDescriptor(HTMLTextAreaElement.prototype, 'value')!.set!.call(field, v);
          field.dispatchEvent(new Event('input', { bubbles: true }));
        }, value);
      };
      await set(text.replace('"target": "spot"', '"target": "spit"'));
      await waitForText(page, 'no target is called "spit"');
      await press(page, 'button', `line ${text.slice(0, text.indexOf('"target": "spot"')).split('\n').length}`);
      expect(await area.evaluate((field) => field.value.slice(field.selectionStart, field.selectionEnd))).toBe('"spit"');
      await set(text.replaceAll('waymoss.localhost', 'mymoss.localhost').replace('Waymoss (copy)', 'My moss'));
      await press(page, 'button', 'Keep the card');
      await find(page, 'heading', 'My moss');
      await reload(page);
      await find(page, 'heading', 'My moss');
      await press(page, 'link', 'Bench');
      await waitForText(page, 'Opening the sluice');
      await bringIn(page, `http://mymoss.localhost:${world.server.port}/place/harbour-wall`);
      await waitForText(page, 'My moss');
    }));

  test('of two hundred cards three are wrong: they are named and refused, the rest is in', () =>
    visit('/hosts', async (page) => {
      const cards = Array.from({ length: 200 }, (_, i) => card(i));
      cards[7] = { ...cards[7]!, identifiers: { id: { ...(card(7).identifiers as { id: object }).id, shape: '(a+)+' } } };
      delete cards[80]!.links;
      cards[150] = { ...cards[150]!, format: 'another' };
      await bringCards(page, cards);
      await waitForText(page, '197 cards taken in, 3 refused:');
      await waitForText(page, 'cards.json[7], at identifiers.id.shape: a shape is classes');
      await waitForText(page, 'cards.json[80], at links');
      await waitForText(page, 'cards.json[150], at format');
      expect((await page.$$('.hosts-list > ul a')).length).toBe(210);
    }));

  test('two cards that claim one link are told', () =>
    visit('/hosts', async (page) => {
      await bringCards(page, [card(1), { ...card(1), id: 'other', name: 'The other one' }]);
      await waitForText(page, '2 cards taken in.');
      await press(page, 'link', 'The other one your own');
      await waitForText(page, 'claim this link just as well');
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
      await waitForText(page, '1 providers taken in.');
    }));
});
