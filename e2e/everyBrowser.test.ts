import { mkdtempSync, readdirSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { unzipSync } from 'fflate';
import { afterAll, beforeAll, describe, expect, test } from 'vitest';
import { makeBook } from '../src/core/known/hosts/book.ts';
import { loadCards } from '../src/core/known/hosts/loadCards.ts';
import { newOrder } from '../src/core/order/order.ts';
import { SCRIPT_HASH } from '../src/core/order/page/script.ts';
import { pageOf } from '../src/core/order/page/page.ts';
import { readCardFiles, readSites } from '../src/standins/world.ts';
import { FINDINGS } from './axe.ts';
import { serveForeignPage, serveText, startServer, waitFor, type Running } from './driver.ts';
import { launchFirefoxPeople } from './firefox.ts';
import type { People, Person } from './person.ts';
import { launchWebKit } from './webkit.ts';

/** What every browser must do, in those that are not Chromium; in Chromium all other flows run. */
const folder = mkdtempSync(join(tmpdir(), 'browsers-'));
let server: Running;
beforeAll(async () => {
  server = await startServer();
});
afterAll(async () => {
  rmSync(folder, { recursive: true });
  await server.stop();
});

const PASTE = 'Share link or embed code';
const video = (id: string): string => `http://lanternreel.localhost:${server.port}/see/${id}`;

const sees = (person: Person, text: string): Promise<boolean> =>
  waitFor(`“${text}”`, () => person.read<boolean>(`document.body.innerText.includes(${JSON.stringify(text)})`));
const codeHas = (person: Person, part: string): Promise<boolean> =>
  waitFor(`${part} in the code`, () =>
    person.read<boolean>(`document.querySelector('[aria-label="The code"]')?.textContent.includes(${JSON.stringify(part)})`),
  );

/** Does something that saves a file, and gives the path of what would be saved. */
async function savedBy(person: Person, act: () => Promise<void>, name: string): Promise<string> {
  await person.read(`(() => {
    const make = URL.createObjectURL;
    URL.createObjectURL = (blob) => {
      const reader = new FileReader();
      reader.onload = () => { document.documentElement.dataset.saved = reader.result; };
      reader.readAsDataURL(blob);
      return make.call(URL, blob);
    };
  })()`);
  await act();
  const saved = await waitFor('a file to be saved', () => person.read<string>(`document.documentElement.dataset.saved`));
  const path = join(folder, name);
  writeFileSync(path, Buffer.from(saved.slice(saved.indexOf(',') + 1), 'base64'));
  return path;
}

const BROWSERS: Record<string, () => Promise<People>> = { Firefox: launchFirefoxPeople, WebKit: launchWebKit };

/**
 * Whether the browser's store holds an embed; no, while the store is not there or does not answer. It is never made here, and asked
 * seldom enough that the application itself comes to it.
 */
const HOLDS_ONE = `new Promise((done) => {
  setTimeout(() => done(false), 3000);
  setTimeout(() => {
    const opening = indexedDB.open('refenestra');
    opening.onupgradeneeded = () => opening.transaction.abort();
    opening.onerror = () => done(false);
    opening.onsuccess = () => {
      const counting = opening.result.transaction('embeds').objectStore('embeds').count();
      counting.onsuccess = () => (opening.result.close(), done(counting.result > 0));
    };
  }, 1000);
})`;

describe.each(Object.entries(BROWSERS))('%s', (name, launch) => {
  let people: People;
  beforeAll(async () => {
    people = await launch();
  });
  afterAll(() => people.close());

  async function visit(path: string, work: (person: Person) => Promise<void>): Promise<void> {
    const person = await people.visitor();
    try {
      await person.goTo(`${server.address}${path}`);
      await work(person);
    } finally {
      await person.leave();
    }
  }

  test('the main job, the preview, copy and paste, a play-through, and the Shelf after it', () =>
    visit('/', async (person) => {
      await sees(person, 'Opening the sluice');
      await person.enter(PASTE, video('f3rryday?at=31s'));
      await sees(person, 'The ferry at first light');
      await person.press('button', 'waits for a press');
      await person.press('button', 'on');
      await person.press('button', 'Done');
      await person.press('button', 'Start muted');
      await codeHas(person, 'auto=1&amp;hush=1&amp;from=31');
      await sees(person, 'In the preview: playing');
      await sees(person, 'muted');
      await person.press('button', 'Copy the code');
      await sees(person, 'Copied');
      await person.press('button', 'Play it through');
      await waitFor('the play-through to end', () =>
        person.read<boolean>(`document.querySelector('[aria-label="Play-through"]')?.getAttribute('aria-busy') === 'false'`),
      );
      await sees(person, 'This browser opens frames with your cookies');
      await person.press('button', 'Back to the settings');
      await person.pasteInto(PASTE);
      await codeHas(person, 'hush=1');
      await person.press('link', 'Shelf');
      await sees(person, 'The ferry at first light');
    }));

  test('a batch of two rows', () =>
    visit('/batch', async (person) => {
      const box = 'Paste or drop links, a text with links in it, CSV, cells of a spreadsheet, or a feed';
      await person.enter(box, [video('k7wq2m9d'), video('f3rryday')].join('\n'));
      await person.press('button', 'Make the codes');
      await sees(person, '2 done');
    }));

  test('a bundle is saved, and brings everything back to somebody whose store is empty', async () => {
    let bundle = '';
    await visit('/', async (person) => {
      await sees(person, 'Opening the sluice');
      await person.enter(PASTE, video('f3rryday?at=31s'));
      await sees(person, 'The ferry at first light');
      await person.press('link', 'Shelf');
      await sees(person, '1 embed');
      await person.press('button', 'Backup');
      bundle = await savedBy(person, () => person.press('button', 'Save everything'), `${name}.zip`);
      await sees(person, 'The backup is saved.');
    });
    await visit('/shelf', async (person) => {
      await sees(person, 'Nothing is kept yet');
      await person.press('button', 'Backup');
      await person.giveFile('Bring a backup in', bundle);
      await person.press('button', 'Import 1');
      await sees(person, '1 thing is imported');
      await sees(person, 'The ferry at first light');
    });
  });

  test('opens, makes, keeps and exports with the server stopped', async () => {
    const own = await startServer();
    const person = await people.visitor();
    try {
      await person.goTo(own.address);
      await sees(person, 'Opening the sluice');
      await person.read(`navigator.serviceWorker.register('/sw.js') && true`);
      await waitFor('the application to be kept', () =>
        person.read<boolean>(`navigator.serviceWorker.ready.then(({ active }) => active.state === 'activated')`),
      );
      await person.goTo(own.address);
      await waitFor('the page to be kept, with what the server gives', () =>
        person.read<boolean>(
          `Boolean(navigator.serviceWorker.controller) && caches.open('given').then((kept) => kept.keys()).then((all) => all.length === 4)`,
        ),
      );
      await own.stop();
      // Handed over by its address: the driver of Firefox types nothing beside a frame that cannot be loaded.
      const link = `http://lanternreel.localhost:${own.port}/see/f3rryday?at=31s`;
      await person.goTo(`${own.address}/?take=${encodeURIComponent(link)}`);
      await codeHas(person, 'from=31');
      await waitFor('the embed to be kept', () => person.read<boolean>(HOLDS_ONE));
      await person.goTo(`${own.address}/shelf`);
      await sees(person, '1 embed');
      await person.press('button', 'Backup');
      const bundle = await savedBy(person, () => person.press('button', 'Save everything'), `${name}-offline.zip`);
      expect(Object.keys(unzipSync(readFileSync(bundle))).length).toBeGreaterThan(0);
    } finally {
      await person.leave();
    }
  });

  test('a sweep of the sample site: what the rules change, and the changed files', () =>
    visit('/sweep', async (person) => {
      await person.press('button', 'Try a sample site');
      await sees(person, '12 embeds of 12 items');
      await person.press('checkbox', 'Give frames without a title that of the heading above');
      await sees(person, '0 after the changes');
      const zip = await savedBy(
        person,
        () => person.press('button', 'Save the changed files (12 embeds)'),
        `${name}-changed.zip`,
      );
      await sees(person, '12 changed files saved');
      await person.press('button', 'New sweep');
      await person.giveFile('Open a zip or files', zip);
      await sees(person, '12 embeds of 12 items');
      await sees(person, 'It is to start by itself with sound');
    }));

  test('a running order in a page of others goes on by itself from clip to clip, and what is said is searched', async () => {
    const clip = (id: string, from: number, until: number) => ({ id, title: id, address: video('k7wq2m9d'), from, until });
    const transcript = [
      { from: 0, until: 2, text: 'Here the wheel turns' },
      { from: 2, until: 4, text: 'and this wheel does not.' },
    ];
    // Without sound, since not every browser lets a frame be heard that nobody pressed within.
    const order = newOrder('o', {
      name: 'Talks',
      autoplay: true,
      entries: [{ ...clip('One', 3, 5), transcript }, clip('Two', 8, 10)],
    });
    const book = makeBook(loadCards(readCardFiles(server.address)).cards);
    const { html } = pageOf(order, { book, site: readSites(server.address)[0]! });
    const foreign = await serveForeignPage(html);
    const person = await people.visitor();
    await person.goTo(foreign.address);
    await person.enter('Search the transcript', 'wheel');
    await sees(person, '1 of 2');
    const now = (): Promise<string> => person.read<string>(`document.querySelector('a[aria-current]').dataset.i`);
    await waitFor('the second clip', async () => (await now()) === '1');
    await sees(person, 'All has been played.');
    await person.leave();
    await foreign.stop();
  });

  test('a running order under a strict policy asks for nothing before a press, has nothing that axe finds, and is played by keys', async () => {
    const film = `http://stage.quernhill.localhost:${server.port}/media/k7wq2m9d.webm`;
    const transcript = [{ from: 0, until: 2, text: 'Here the wheel turns' }];
    const order = newOrder('o', {
      name: 'Talks',
      entries: [
        { id: '1', title: 'One', address: video('k7wq2m9d') },
        { id: '2', title: 'Two', address: film, transcript },
      ],
    });
    const book = makeBook(loadCards(readCardFiles(server.address)).cards);
    const { html } = pageOf(order, { book, site: readSites(server.address)[0]! });
    const policy = `default-src 'none'; script-src '${SCRIPT_HASH}'; style-src 'unsafe-inline'; media-src http:; frame-src http:`;
    const strict = await serveText(html, 'text/html; charset=utf-8', { 'Content-Security-Policy': policy });
    const person = await people.visitor();
    await person.goTo(strict.address);
    await sees(person, 'Play: One');
    expect(await person.read<number>(`performance.getEntriesByType('resource').length`)).toBe(0);
    expect(await person.read<string[]>(FINDINGS)).toEqual([]);
    await person.read(`document.querySelector('a[aria-current]').focus()`);
    await person.keys('ArrowDown', 'Enter');
    await waitFor('the second entry to play', () => person.read<boolean>(`document.querySelector('video')?.currentTime > 0.2`));
    expect(await person.read<string>(`document.querySelector('a[aria-current]').dataset.i`)).toBe('1');

    // Where no script may run, it is links and text.
    const still = `<iframe sandbox="allow-same-origin" srcdoc="${html.replaceAll('&', '&amp;').replaceAll('"', '&quot;')}"></iframe>`;
    const foreign = await serveForeignPage(still);
    await person.goTo(foreign.address);
    const inside = `document.querySelector('iframe').contentDocument`;
    await waitFor('the links', () => person.read<boolean>(`${inside}?.querySelectorAll('ol > li > a').length === 2`));
    expect(await person.read<string[]>(`[...${inside}.querySelectorAll('ol > li > a')].map((link) => link.href)`)).toEqual(
      order.entries.map(({ address }) => address),
    );
    expect(await person.read<string>(`${inside}.querySelector('.said').textContent`)).toContain('the wheel turns');
    await person.leave();
    await strict.stop();
    await foreign.stop();
  });

  test.runIf(name === 'Firefox')('a stream plays in a running order, by the script that its page names', async () => {
    const assets = join(import.meta.dirname, '../dist/web/assets');
    const saved = readdirSync(assets).find((file) => /^hls.*\.mjs$/.test(file))!;
    const script = await serveText(readFileSync(join(assets, saved), 'utf8'), 'text/javascript');
    const order = newOrder('o', {
      autoplay: true,
      streamScript: script.address,
      entries: [{ id: '1', address: `http://stage.quernhill.localhost:${server.port}/media/mill-stream/stream.m3u8`, from: 13 }],
    });
    const book = makeBook(loadCards(readCardFiles(server.address)).cards);
    const foreign = await serveForeignPage(pageOf(order, { book, site: readSites(server.address)[0]! }).html);
    const person = await people.visitor();
    await person.goTo(foreign.address);
    const stands = (): Promise<number> => person.read<number>(`document.querySelector('video')?.currentTime ?? 0`);
    await waitFor('the third piece to play', async () => (await stands()) > 13.5);
    await person.leave();
    await foreign.stop();
    await script.stop();
  });

  test('what was set is there again after a reload', () =>
    visit('/', async (person) => {
      await sees(person, 'Opening the sluice');
      await person.enter(PASTE, video('f3rryday'));
      await sees(person, 'The ferry at first light');
      await person.press('button', 'with sound');
      await person.press('button', 'on');
      await person.press('button', 'Done');
      await codeHas(person, 'hush=1');
      await waitFor('the embed to be kept', () => person.read<boolean>(HOLDS_ONE));
      await person.goTo(await person.read<string>('location.href'));
      await codeHas(person, 'hush=1');
    }));
});
