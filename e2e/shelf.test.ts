import { writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { strToU8, zipSync } from 'fflate';
import type { Page } from 'puppeteer-core';
import { describe, expect, test } from 'vitest';
import { bringIn, choose, copyCode, openBench, openToken, replaceText, type } from './bench.ts';
import { find, goTo, newVisitor, paste, press, until, waitForNoText, waitForText } from './driver.ts';
import { dumpStore, forget, giveFile, savedBy, wipeStore } from './files.ts';
import { useServerAndBrowser } from './world.ts';

/** What was made is found again, taken up again, carried to another site, and kept safe. */
const world = useServerAndBrowser();
const SLUICE = '/see/k7wq2m9d';
const FERRY = '/see/f3rryday';

async function visit(work: (page: Page) => Promise<void>): Promise<void> {
  const { context, page } = await newVisitor(world.browser);
  await openBench(page, world.server.address);
  await work(page);
  await context.close();
}

const film = (path: string): string => `${world.host('lanternreel')}${path}`;

/** Brings a film in and waits until it is known, and kept. */
async function make(page: Page, path: string, title: string): Promise<void> {
  await bringIn(page, film(path));
  await until(page, (words: string) => document.querySelector('[aria-label="The code"]')?.textContent?.includes(words), title);
}

async function toShelf(page: Page, count: string): Promise<void> {
  await press(page, 'link', 'Shelf');
  await waitForText(page, count);
}

describe('the next episode', () => {
  test('takes one paste, and its code differs only in what is the item’s own', () =>
    visit(async (page) => {
      await make(page, SLUICE, 'Opening the sluice at spring tide');
      await choose(page, 'waits for a press', 'Autoplay', 'on');
      await choose(page, 'with sound', 'Mute', 'on');
      await choose(page, 'suggests anything', 'Suggestions at the end', 'Same channel');
      await type(page, 'from the start', 'Start time', '0:42');
      const last = await copyCode(page);
      await toShelf(page, '1 embed');
      await press(page, 'button', 'More on Opening the sluice at spring tide');
      await press(page, 'button', 'Next one like this');
      await waitForText(page, 'It is set like the last one');
      await find(page, 'textbox', 'Share link or embed code');
      await page.keyboard.press('Tab');
      await page.evaluate(() => (document.activeElement as HTMLElement).blur());
      await paste(page, film(FERRY));
      await waitForText(page, 'The ferry at first light');
      const next = await copyCode(page);
      const expected = last
        .replace('k7wq2m9d', 'f3rryday')
        .replace('&amp;from=42', '')
        .replace('Opening the sluice at spring tide', 'The ferry at first light');
      expect(next).toBe(expected);
      await toShelf(page, '2 embeds');
    }));
});

describe('the Shelf', () => {
  test('finds, narrows, tags, places, goes back to what was taken, and aims at another site', () =>
    visit(async (page) => {
      await make(page, SLUICE, 'Opening the sluice');
      const first = await copyCode(page);
      await choose(page, 'waits for a press', 'Autoplay', 'on');
      await choose(page, 'with sound', 'Mute', 'on');
      await copyCode(page);
      await make(page, FERRY, 'The ferry');
      await toShelf(page, '2 embeds');
      const search = await find(page, 'searchbox', 'Search the Shelf');
      await search.type('spring TIDE lantern');
      await waitForText(page, '1 of 2');
      await press(page, 'button', 'More on Opening the sluice at spring tide');
      await (await find(page, 'textbox', 'Tags, with spaces between')).type('tides talk');
      await page.keyboard.press('Enter');
      await (await find(page, 'textbox', 'Address of a page')).type('https://tidemill.example/news/sluice');
      await press(page, 'button', 'Add this page');
      await waitForText(page, 'tidemill.example/news/sluice');
      await replaceText(page, search, 'talk news/sluice');
      await waitForText(page, '1 of 2');
      await page.select('[aria-label="State"]', 'placed');
      await waitForText(page, '1 of 2');
      // A search is kept, and made again by a press after everything was looked at as pictures.
      await press(page, 'button', 'Keep this search');
      await press(page, 'button', 'Show all');
      await press(page, 'checkbox', 'as pictures');
      await until(page, () => document.querySelectorAll('.shelf-picture').length === 2);
      await press(page, 'checkbox', 'as pictures');
      await press(page, 'button', '“talk news/sluice” · placed');
      await waitForText(page, '1 of 2');
      await press(page, 'button', 'Forget the search “talk news/sluice” · placed');
      await find(page, 'button', 'Keep this search');
      await press(page, 'button', 'Go back to it');
      await until(page, () => document.querySelectorAll('.detail-list small').length > 1);
      await press(page, 'button', 'Texts for a post');
      expect(await (await find(page, 'textbox', 'Code')).evaluate((field) => (field as HTMLTextAreaElement).value)).toBe(first);
      await press(page, 'button', 'Close');
      await press(page, 'link', 'Open on the Bench');
      await waitForText(page, 'waits for a press');
      await press(page, 'link', 'Shelf');
      await press(page, 'button', 'More on Opening the sluice at spring tide');
      await page.select('.detail select', 'ferry');
      await until(page, () => document.querySelector('.shelf-where, .detail select') !== null);
      const { embeds } = await dumpStore(page);
      expect(embeds).toContainEqual(
        expect.objectContaining({
          tags: ['tides', 'talk'],
          stage: 'placed',
          work: expect.objectContaining({ site: 'ferry' }) as object,
        }),
      );
    }));

  test('takes several off together and puts them back, and gives several as one block', () =>
    visit(async (page) => {
      await make(page, SLUICE, 'Opening the sluice');
      await make(page, FERRY, 'The ferry');
      await toShelf(page, '2 embeds');
      await press(page, 'checkbox', 'Choose The ferry at first light');
      await press(page, 'button', 'Choose all 2');
      await press(page, 'button', 'As one block');
      await waitForText(page, 'f/k7wq2m9d');
      await waitForText(page, 'f/f3rryday');
      await press(page, 'button', 'Close');
      const before = await dumpStore(page);
      await press(page, 'button', 'Remove');
      await waitForText(page, '2 embeds are off the Shelf.');
      await press(page, 'button', 'Put them back');
      await waitForText(page, '2 embeds');
      expect(await dumpStore(page)).toEqual(before);
    }));
});

describe('house styles', () => {
  test('are taken from the Bench, shown before they change anything, and applied to those that are chosen', () =>
    visit(async (page) => {
      await make(page, SLUICE, 'Opening the sluice');
      await type(page, 'from the start', 'Start time', '0:42');
      await make(page, '/upright/u4wheel0', 'The wheel in forty seconds');
      await type(page, 'from the start', 'Start time', '0:05');
      await make(page, FERRY, 'The ferry');
      await choose(page, 'suggests anything', 'Suggestions at the end', 'Same channel');
      await openToken(page, 'suggests its own channel', 'Suggestions at the end');
      await (await find(page, 'textbox', 'Why it should be so for all videos there')).type('no others’ videos');
      await press(page, 'button', 'Take it into the house style');
      await waitForText(page, 'House style of Quillmarsh Tide Mill: no others’ videos');
      await press(page, 'button', 'Done');
      await press(page, 'link', 'Sites');
      await press(page, 'button', 'What would it change?');
      await waitForText(page, 'Opening the sluice at spring tide');
      await press(page, 'checkbox', 'The wheel in forty seconds');
      await press(page, 'button', 'Apply to this one');
      await waitForText(page, '1 embed follows the house style now.');
      const { embeds } = await dumpStore(page);
      const related = (embeds as { title: string; code: string }[]).map(({ title, code }) => [title, code.includes('after=own')]);
      expect(Object.fromEntries(related)).toEqual({
        'Opening the sluice at spring tide': true,
        'The wheel in forty seconds': false,
        'The ferry at first light': true,
      });
      await press(page, 'button', 'Close');
      await press(page, 'link', 'Bench');
      await make(page, '/see/d8stone5', 'title=');
      await waitForText(page, 'after=own');
    }));
});

test('a small picture that comes late is shown when it comes', () =>
  visit(async (page) => {
    let comes = (): void => undefined;
    const late = new Promise<void>((done) => (comes = done));
    await page.setRequestInterception(true);
    page.on('request', (request) => {
      const wait = request.url().endsWith('/api/picture') ? late : Promise.resolve();
      void wait.then(() => request.continue());
    });
    const asked = page.waitForRequest((request) => request.url().endsWith('/api/picture'));
    await make(page, SLUICE, 'Opening the sluice');
    await asked;
    await toShelf(page, '1 embed');
    await new Promise((done) => setTimeout(done, 500));
    expect(await page.$$('.shelf-thumbnail img')).toEqual([]);
    comes();
    await page.waitForSelector('.shelf-thumbnail img');
  }));

describe('a store without room', () => {
  /** Lets the browser's store refuse every write, as a full disk does (Indexed Database API 3.0, QuotaExceededError). */
  const refuseWrites = (on: boolean): void => {
    const kept = globalThis as { put?: PropertyDescriptor };
    kept.put ??= Object.getOwnPropertyDescriptor(IDBObjectStore.prototype, 'put')!;
    const value = () => {
      throw new DOMException('no room', 'QuotaExceededError');
    };
    Object.defineProperty(IDBObjectStore.prototype, 'put', on ? { ...kept.put, value } : kept.put);
  };
  /** On the page, and in the workers that it has. */
  const fill = async (page: Page, full: boolean): Promise<void> => {
    for (const place of [page, ...page.workers()]) await place.evaluate(refuseWrites, full);
  };

  const embeds = async (page: Page): Promise<unknown> => (await dumpStore(page)).embeds;

  test('is told, keeps what was there, and takes the work once there is room', () =>
    visit(async (page) => {
      await make(page, SLUICE, 'Opening the sluice');
      await toShelf(page, '1 embed');
      await page.waitForSelector('.shelf-thumbnail img');
      const before = await embeds(page);
      await press(page, 'link', 'Bench');
      await fill(page, true);
      await choose(page, 'waits for a press', 'Autoplay', 'on');
      await waitForText(page, 'The browser has no room left');
      expect(await embeds(page)).toEqual(before);
      await fill(page, false);
      await choose(page, 'with sound', 'Mute', 'on');
      await waitForNoText(page, 'The browser has no room left');
      expect(await embeds(page)).toMatchObject([{ work: { changes: { autoplay: 'on', mute: 'on' } } }]);
    }));

  test('still gives a bundle out, and takes all of one in or nothing', () =>
    visit(async (page) => {
      await make(page, SLUICE, 'Opening the sluice');
      await make(page, FERRY, 'The ferry');
      await toShelf(page, '2 embeds');
      await fill(page, true);
      const before = await embeds(page);
      await press(page, 'button', 'Backup');
      const bundle = await savedBy(page, () => press(page, 'button', 'Save everything'));
      await waitForText(page, 'The backup is saved.');
      await press(page, 'button', 'Close');
      for (const title of ['The ferry at first light', 'Opening the sluice at spring tide']) {
        await press(page, 'button', `More on ${title}`);
        await press(page, 'button', `Remove ${title}`);
        await waitForText(page, `“${title}” is off the Shelf`);
      }
      await press(page, 'button', 'Backup');
      await giveFile(page, 'Bring a backup in', bundle.path);
      await find(page, 'button', 'Import 2');
      await fill(page, true);
      await press(page, 'button', 'Import 2');
      await waitForText(page, 'The browser has no room for this. Nothing of it was written');
      expect(await embeds(page)).toEqual([]);
      await fill(page, false);
      await press(page, 'button', 'Import 2');
      await waitForText(page, '2 things are imported');
      expect(await embeds(page)).toEqual(before);
      forget(bundle);
    }));
});

describe('two windows', () => {
  test('with the same embed: what one changes the other shows, and what both change at once is kept twice', async () => {
    const { context, page } = await newVisitor(world.browser);
    await openBench(page, world.server.address);
    await make(page, SLUICE, 'Opening the sluice');
    await choose(page, 'waits for a press', 'Autoplay', 'on');
    const other = await context.newPage();
    await other.setViewport({ width: 1280, height: 800 });
    await goTo(other, page.url());
    await waitForText(other, 'starts by itself');
    await page.bringToFront();
    await choose(page, 'with sound', 'Mute', 'on');
    await other.bringToFront();
    await waitForText(other, 'was changed elsewhere');
    await waitForText(other, 'hush=1');
    // Nothing is heard of the other window, as when both write in the same moment.
    await other.evaluate(() => {
      BroadcastChannel.prototype.postMessage = () => undefined;
    });
    await choose(other, 'suggests anything', 'Suggestions at the end', 'Same channel');
    await page.bringToFront();
    await type(page, 'from the start', 'Start time', '0:07');
    await waitForText(page, 'goes on as a copy');
    const { embeds } = await dumpStore(page);
    const codes = (embeds as { code: string }[]).map(({ code }) => [code.includes('after=own'), code.includes('from=7')]);
    expect(codes.sort()).toEqual([
      [false, true],
      [true, false],
    ]);
    await context.close();
  });
});

describe('a bundle', () => {
  test('brings everything back to the byte after the store was wiped, pictures included', () =>
    visit(async (page) => {
      await make(page, SLUICE, 'Opening the sluice');
      await copyCode(page);
      await make(page, FERRY, 'The ferry');
      await toShelf(page, '2 embeds');
      await until(page, () => document.querySelectorAll('.shelf-thumbnail img').length === 2);
      await press(page, 'link', 'Orders');
      await press(page, 'button', 'New running order');
      await find(page, 'link', 'New running order 0');
      await toShelf(page, '2 embeds');
      await press(page, 'button', 'Theme');
      const theme = await page.evaluate(() => document.documentElement.dataset.theme);
      await press(page, 'button', 'Backup');
      const bundle = await savedBy(page, () => press(page, 'button', 'Save everything'));
      await waitForText(page, 'The backup is saved.');
      const before = await dumpStore(page);
      await wipeStore(page);
      await waitForText(page, 'Nothing is kept yet');
      await press(page, 'button', 'Backup');
      await giveFile(page, 'Bring a backup in', bundle.path);
      await press(page, 'button', 'Import 4');
      await waitForText(page, '4 things are imported');
      expect(await page.evaluate(() => document.documentElement.dataset.theme)).toBe(theme);
      const { embeds, versions, pictures, proofs, backs, orders } = await dumpStore(page);
      expect({ embeds, versions, pictures }).toEqual({
        embeds: before.embeds,
        versions: before.versions,
        pictures: before.pictures,
      });
      expect({ proofs, backs, orders }).toEqual({ proofs: before.proofs, backs: before.backs, orders: before.orders });
      expect(orders!.length).toBe(1);
      expect([embeds!.length, versions!.length, pictures!.length]).toEqual([2, 1, 2]);
      await waitForText(page, '2 embeds');
      await giveFile(page, 'Bring a backup in', bundle.path);
      await waitForText(page, '4 are the same and stay');
      forget(bundle);
    }));

  test('that is none, newer, broken or a bomb is told, and changes nothing', () =>
    visit(async (page) => {
      await make(page, SLUICE, 'Opening the sluice');
      await toShelf(page, '1 embed');
      const before = await dumpStore(page);
      await press(page, 'button', 'Backup');
      const zip = (text: string): Uint8Array => zipSync({ 'bundle.json': strToU8(text) });
      const files: [Uint8Array, string][] = [
        [strToU8('not a zip'), 'is no zip file'],
        [zipSync({ 'else.txt': strToU8('x') }), 'There is no bundle.json'],
        [zip('{"format":"refenestra-bundle","version":99}'), 'newer Refenestra (format 99)'],
        [zip('{"format":"refenestra-bundle","version":1,"made":"x","embeds":[]}'), 'The backup is damaged: at made'],
        [bomb(), 'Unpacked, this file would take 600 MB'],
      ];
      const path = join(tmpdir(), `bundle-${process.pid}.zip`);
      for (const [bytes, words] of files) {
        writeFileSync(path, bytes);
        await giveFile(page, 'Bring a backup in', path);
        await waitForText(page, words);
      }
      expect(await dumpStore(page)).toEqual(before);
    }));

  test('whose import is cut off by a closed tab is in the store as a whole, or not at all', async () => {
    const { context, page } = await newVisitor(world.browser);
    await goTo(page, `${world.server.address}/shelf`);
    await press(page, 'button', 'Backup');
    const path = join(tmpdir(), `many-${process.pid}.zip`);
    writeFileSync(path, zipSync({ 'bundle.json': strToU8(JSON.stringify(manyEmbeds(4000))) }));
    await giveFile(page, 'Bring a backup in', path);
    await press(page, 'button', 'Import 4000');
    await page.close();
    const again = await context.newPage();
    await goTo(again, `${world.server.address}/shelf`);
    await until(again, () => /4000 embeds|Nothing is kept yet/.test(document.body.innerText));
    const { embeds } = await dumpStore(again);
    expect([0, 4000]).toContain(embeds!.length);
    if (embeds!.length > 0) await waitForText(again, '4,000 embeds are in no backup yet.');
    await context.close();
  });
});

function manyEmbeds(count: number): object {
  const embeds = Array.from({ length: count }, (_, i) => ({
    id: `many-${i}`,
    title: `Tide ${i}`,
    host: 'lanternreel',
    kind: 'video',
    made: i,
    changed: i,
    work: { id: `many-${i}`, text: film(SLUICE), choice: 0, changes: {}, form: 'responsive', site: 'mill' },
  }));
  return { format: 'refenestra-bundle', version: 1, made: '2026-11-23T00:00:00.000Z', embeds };
}

describe('what is not out yet', () => {
  test('is warned of, taken with a cover that says so, and stands in the calendar', () =>
    visit(async (page) => {
      await make(page, SLUICE, 'Opening the sluice');
      await press(page, 'button', 'Dates');
      const day = new Date(Date.now() + 40 * 86_400_000);
      const [year, month, date] = [day.getFullYear(), day.getMonth() + 1, day.getDate()];
      const field = await page.waitForSelector('.dates input');
      await field!.type(`${String(month).padStart(2, '0')}${String(date).padStart(2, '0')}${year}`);
      await waitForText(page, 'Until then nothing is loaded behind the cover.');
      await press(page, 'button', 'Close');
      await waitForText(page, 'Until then visitors find nothing in the frame.');
      await press(page, 'button', 'Dates');
      await press(page, 'button', 'Take the code with a cover that says so');
      const code = await copyCode(page);
      expect(code).toContain(
        `Out on ${new Intl.DateTimeFormat('en-GB', { day: 'numeric', month: 'long', year: 'numeric' }).format(day)}`,
      );
      expect(await page.evaluate(() => document.body.innerText)).not.toContain('Until then visitors find nothing');
      await toShelf(page, '1 embed');
      await press(page, 'button', 'Calendar');
      await waitForText(page, '“Opening the sluice at spring tide” is out');
      const calendar = await savedBy(page, () => press(page, 'button', 'Save as a calendar file'));
      expect(calendar.bytes.toString()).toContain(
        `DTSTART;VALUE=DATE:${year}${String(month).padStart(2, '0')}${String(date).padStart(2, '0')}`,
      );
      forget(calendar);
    }));
});

/** A small file that says of itself that it is large once it is unpacked (field 24 of its entry in the central directory). */
function bomb(): Uint8Array {
  const bytes = Buffer.from(zipSync({ 'bundle.json': strToU8('{}') }));
  bytes.writeUInt32LE(600_000_000, bytes.indexOf('PK\x01\x02') + 24);
  return bytes;
}
