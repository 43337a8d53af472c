import { execFileSync } from 'node:child_process';
import { mkdtempSync, rmSync, writeFileSync } from 'node:fs';
import { createServer, request } from 'node:http';
import { JSDOM } from 'jsdom';
import { once } from 'node:events';
import { createRequire } from 'node:module';
import type { AddressInfo } from 'node:net';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import type { Frame, Page } from 'puppeteer-core';
import { describe, expect, test } from 'vitest';
import { makeBook } from '../src/core/known/hosts/book.ts';
import { loadCards } from '../src/core/known/hosts/loadCards.ts';
import { newOrder, type Order } from '../src/core/order/order.ts';
import { pageOf } from '../src/core/order/page/page.ts';
import { SCRIPT_HASH } from '../src/core/order/page/script.ts';
import { readCardFiles, readSites } from '../src/standins/world.ts';
import { findings } from './axe.ts';
import { useServerAndBrowser, visitor } from './world.ts';
import {
  find,
  goTo,
  newVisitor,
  press,
  readClipboard,
  reload,
  serveForeignPage,
  until,
  waitForNoText,
  waitForText,
} from './driver.ts';
import { launchBrowser } from './browser.ts';
import { giveFile } from './files.ts';

const world = useServerAndBrowser(launchBrowser);
const vnu = createRequire(import.meta.url)('vnu-jar') as unknown as string;

const withOrders = (work: (page: Page) => Promise<void>): Promise<void> =>
  visitor(world)('/orders', ['heading', 'Running orders'], work);

const media = (): string => `${world.host('stage.quernhill')}/media/k7wq2m9d.webm`;

/** Three hosts and a media file, each with a clip of some seconds. */
const clips = (): readonly (readonly [address: string, from: string, until: string])[] => [
  [`${world.host('lanternreel')}/see/k7wq2m9d`, '0:03', '0:06'],
  [`${world.host('earbrook')}/show/millers-diary/3`, '0:02', '0:05'],
  [media(), '0:05', '0:08'],
  [`${world.host('plumbline')}/4410207`, '0:04', '0:07'],
];

async function compose(page: Page): Promise<void> {
  await press(page, 'button', 'New running order');
  const line = await find(page, 'textbox', 'Add by link, or from the Shelf by its title');
  await line.focus();
  await page.keyboard.sendCharacter(
    clips()
      .map(([address]) => address)
      .join('\n'),
  );
  await press(page, 'button', 'Add these 4 links');
  for (const [i, [, from, to]] of clips().entries()) {
    await (await find(page, 'textbox', `Entry ${i + 1} from`)).type(from);
    await (await find(page, 'textbox', `Entry ${i + 1} until`)).type(to);
  }
  await waitForText(page, '4 entries');
  await waitForText(page, 'Kept');
}

/** Opens Batch, with the field for its table in focus. */
async function openBatch(page: Page): Promise<void> {
  await goTo(page, `${world.server.address}/batch`);
  const box = await find(page, 'textbox', 'Paste or drop links, a text with links in it, CSV, cells of a spreadsheet, or a feed');
  await box.focus();
}

/** The page of the running order, wherever it is framed. */
const player = (page: Page): Promise<Frame> => page.waitForFrame(async (frame) => (await frame.$('#order')) !== null);
interface Watched {
  times: { i: number; time: number }[];
}

/** Notes where each entry is while it plays, by what its player says, or by the element of the page itself. */
const watchTimes = (frame: Frame): Promise<void> =>
  frame.evaluate(() => {
    const times: Watched['times'] = [];
    Object.assign(window, { times });
    const note = (time: unknown): void => {
      const i = Number(document.querySelector<HTMLElement>('a[aria-current]')!.dataset.i);
      // Nothing has played yet where a player says that it is ready.
      if (typeof time === 'number' && time > 0) times.push({ i, time });
    };
    addEventListener('message', ({ data, source }: MessageEvent<unknown>) => {
      if (source !== document.querySelector<HTMLIFrameElement>('.stage iframe')?.contentWindow) return;
      const said = (typeof data === 'string' && data.startsWith('{') ? JSON.parse(data) : data) as {
        reel?: string;
        at?: number;
        t?: number;
        plumb?: { sec?: number };
      } | null;
      note(said?.reel === 'tick' ? said.at : (said?.t ?? said?.plumb?.sec));
    });
    document.addEventListener('timeupdate', ({ target }) => note((target as HTMLMediaElement).currentTime), true);
  });
const current = (frame: Frame): Promise<number> =>
  frame.$eval('a[aria-current]', (link) => Number((link as HTMLElement).dataset.i));

/** A lecture with chapters and a transcript, and an item of a host. */
const sample = (): Order =>
  newOrder('sample', {
    name: 'The tide mill',
    words: 'Two lectures.',
    links: [{ words: 'The feed', address: 'https://pod.example/feed.xml' }],
    entries: [
      {
        id: '1',
        address: media(),
        title: 'A lecture',
        seconds: 72,
        chapters: [{ at: 5, title: 'The pond' }],
        transcript: [
          { from: 0, until: 2, text: 'Here the wheel turns', who: 'The miller' },
          { from: 2, until: 4, text: 'and this wheel does not.', who: 'The miller' },
          { from: 4, until: 6, text: 'Why?', who: 'A visitor' },
        ],
      },
      { id: '2', address: `${world.host('lanternreel')}/see/k7wq2m9d`, title: 'Opening the sluice', from: 10, until: 20 },
    ],
  });

/** Says to the show that a week has gone by, or that it has not. */
async function week(method: 'POST' | 'DELETE'): Promise<void> {
  const { hostname, port } = new URL(world.host('earbrook'));
  const asked = request({
    host: '127.0.0.1',
    port,
    method,
    path: '/show/millers-diary/week',
    headers: { Host: `${hostname}:${port}` },
  });
  asked.end();
  await once(asked, 'response');
}

/** Brings a running order in as a file, as somebody has it from a colleague. */
async function bring(page: Page, order: Order): Promise<void> {
  const folder = mkdtempSync(join(tmpdir(), 'order-'));
  const file = join(folder, 'order.json');
  writeFileSync(file, JSON.stringify(order));
  await giveFile(page, 'Bring a file in', file);
  await waitForText(page, `${order.entries.length} entries`);
  rmSync(folder, { recursive: true });
}

async function copied(page: Page, form: string): Promise<string> {
  await (await find(page, 'combobox', 'Code')).select(form);
  await press(page, 'button', 'Copy the code');
  await waitForText(page, 'Copied.');
  return readClipboard(page);
}

/** The film of the player, in its frame or in the page itself. */
const film = (): HTMLVideoElement | null =>
  (document.querySelector('div[lang]')?.shadowRoot ?? document).querySelector('.stage video');

describe('a running order', () => {
  test('of four entries from four hosts plays through in a foreign page by itself, each from and to its second', () =>
    withOrders(async (page) => {
      await compose(page);
      const code = await copied(page, 'whole');
      const foreign = await serveForeignPage(code);
      const visitor = await newVisitor(world.browser);
      const asked: string[] = [];
      visitor.page.on('request', (request) => asked.push(request.url()));
      await goTo(visitor.page, foreign.address);
      const frame = await player(visitor.page);
      expect(asked.filter((url) => /^http/.test(url) && !url.startsWith(new URL(foreign.address).origin))).toEqual([]);
      await watchTimes(frame);
      await (await frame.$('.press'))!.click();
      await frame.waitForFunction(() => document.querySelector('.bar [role=status]')!.textContent === 'All has been played.', {
        timeout: 60_000,
        polling: 200,
      });
      const times = await frame.evaluate(() => (window as unknown as Watched).times);
      expect(times.map(({ i }) => i).filter((i, k, all) => i !== all[k - 1])).toEqual([0, 1, 2, 3]);
      for (const [i, [, from, to]] of clips().entries()) {
        const own = times.filter((one) => one.i === i).map(({ time }) => time);
        const [first, last] = [Math.min(...own), Math.max(...own)];
        expect(first, `${i}`).toBeGreaterThanOrEqual(Number(from.slice(2)) - 0.1);
        expect(last, `${i}`).toBeGreaterThanOrEqual(Number(to.slice(2)) - 0.5);
        expect(last, `${i}`).toBeLessThan(Number(to.slice(2)) + 1);
      }
      await visitor.context.close();
      await foreign.stop();
    }));

  test('is played by keyboard alone, and what cannot be played is told and passed over', () =>
    withOrders(async (page) => {
      await press(page, 'button', 'New running order');
      const line = await find(page, 'textbox', 'Add by link, or from the Shelf by its title');
      await line.focus();
      await page.keyboard.sendCharacter(
        `${media()}\n${world.host('stage.quernhill')}/media/nothing-here.webm\n${media()}?again=1`,
      );
      await press(page, 'button', 'Add these 3 links');
      await waitForText(page, '3 entries');
      await waitForText(page, 'Kept');
      const foreign = await serveForeignPage(await copied(page, 'whole'));
      const visitor = await newVisitor(world.browser);
      await goTo(visitor.page, foreign.address);
      const frame = await player(visitor.page);
      await frame.focus('a[aria-current]');
      await visitor.page.keyboard.press('ArrowDown');
      await visitor.page.keyboard.press('Enter');
      await frame.waitForFunction(() =>
        document.querySelector('.bar [role=status]')!.textContent.startsWith('This could not be played'),
      );
      expect(await current(frame)).toBe(1);
      await frame.waitForFunction(() => document.querySelector<HTMLElement>('a[aria-current]')!.dataset.i === '2', {
        timeout: 20_000,
        polling: 200,
      });
      await frame.waitForFunction(() => document.querySelector('video')!.currentTime > 0);
      await visitor.context.close();
      await foreign.stop();
    }));

  test('comes of a feed, and what is new in it comes in later', () =>
    withOrders(async (page) => {
      const feed = `${world.host('earbrook')}/show/millers-diary/feed.xml`;
      await (await find(page, 'textbox', 'Address of a feed or playlist')).type(feed);
      await press(page, 'button', 'Bring it in');
      await waitForText(page, 'entries');
      await press(page, 'button', 'What is new');
      await waitForText(page, 'Nothing is new.');
      const first = (await page.waitForSelector('.order-handle'))!;
      const name = await first.evaluate((button) => button.getAttribute('aria-label'));
      await first.focus();
      await page.keyboard.press('Space');
      await until(page, () => document.querySelector('.order-handle')!.getAttribute('aria-pressed') === 'true');
      await new Promise((done) => setTimeout(done, 100));
      await page.keyboard.press('ArrowDown');
      await until(page, () => document.querySelector<HTMLElement>('.order-entries > li')!.style.transform !== '');
      await new Promise((done) => setTimeout(done, 300));
      await page.keyboard.press('Space');
      await until(page, (label) => document.querySelectorAll('.order-handle')[1]?.getAttribute('aria-label') === label, name);
    }));

  test('of a podcast has what is said and its chapters, and a week later two more episodes and nothing else', () =>
    withOrders(async (page) => {
      await week('DELETE');
      await (
        await find(page, 'textbox', 'Address of a feed or playlist')
      ).type(`${world.host('earbrook')}/show/millers-diary/podcast.xml`);
      await press(page, 'button', 'Bring it in');
      await press(page, 'button', 'Bring in the transcripts and chapters of 9 entries');
      await waitForText(page, 'All 9 are brought in.');
      await press(page, 'button', 'Make entries of the chapters of Frost on the wheel');
      await waitForText(page, '10 entries');
      await page.click('.order-head summary');
      await press(page, 'button', 'Take that of the feed');
      await page.waitForSelector('.order-cover img');
      await (await find(page, 'textbox', 'Words of a link')).type('All episodes');
      await (await find(page, 'textbox', 'Its address')).type('https://tidemill.example/listen');
      await press(page, 'button', 'Add this link');
      await waitForText(page, 'Kept');
      const before = new JSDOM(await copied(page, 'whole')).window.document.querySelector('iframe')!.srcdoc;
      await week('POST');
      await press(page, 'button', 'What is new');
      await waitForText(page, 'New: Slack water; The ferryman’s loaf.');
      await waitForText(page, '12 entries');
      await waitForText(page, 'Kept');
      const after = new JSDOM(await copied(page, 'whole')).window.document.querySelector('iframe')!.srcdoc;
      const rows = (html: string): string[] =>
        [...new JSDOM(html).window.document.querySelectorAll('main > ol > li')].map((row) =>
          row.innerHTML.replace(/ data-i="\d+"/g, ''),
        );
      expect(rows(after).slice(2)).toEqual(rows(before));
      expect(rows(before)[1]).toContain('While the wheel turns');
      const said = new JSDOM(after).window.document.querySelectorAll('.transcript');
      expect(said.length).toBe(10);
      const { document } = new JSDOM(after).window;
      expect(document.querySelector('h1 img')!.getAttribute('src')).toMatch(/^data:image\/webp;base64,/);
      expect([...document.querySelectorAll('.links a')].map(({ textContent }) => textContent)).toContain('All episodes');
      const style = (html: string): string => html.slice(0, html.indexOf('<main'));
      expect(style(after)).toBe(style(before));
    }));

  test.each(['whole', 'script', 'inline'])('plays in a page of others as %s, with its text around it', (form) =>
    withOrders(async (page) => {
      await bring(page, sample());
      await press(page, 'checkbox', 'With its text around it, for search engines');
      const foreign = await serveForeignPage(await copied(page, form));
      const { page: foreigner, context } = await newVisitor(world.browser);
      await goTo(foreigner, foreign.address);
      const data = await foreigner.$eval('[type="application/ld+json"]', (script) => script.textContent);
      expect(JSON.parse(data)).toMatchObject({ '@type': 'ItemList', numberOfItems: 2 });
      expect(await foreigner.$eval('body > details', (text) => text.textContent)).toContain('this wheel does not');
      const place = form === 'inline' ? foreigner.mainFrame() : await player(foreigner);
      await (await place.waitForSelector('pierce/.press'))!.click();
      await until(place, film);
      await place.waitForFunction(`(${film.toString()})()?.currentTime > 0`);
      await (await place.waitForSelector('pierce/.said a'))!.click();
      // Its style keeps to itself, and so does that of the page.
      if (form === 'inline') expect(await foreigner.$eval('body', (body) => getComputedStyle(body).margin)).toBe('8px');
      await context.close();
      await foreign.stop();
    }),
  );

  test('begins by itself without sound where it is asked to, until somebody wants to hear it', () =>
    withOrders(async (page) => {
      await bring(page, sample());
      await press(page, 'checkbox', 'Begins by itself, without sound');
      await (await find(page, 'combobox', 'Volume')).select('50');
      await waitForText(page, 'Kept');
      const foreign = await serveForeignPage(await copied(page, 'whole'));
      const { page: foreigner, context } = await newVisitor(world.browser);
      await goTo(foreigner, foreign.address);
      const frame = await player(foreigner);
      await frame.waitForFunction(`(${film.toString()})()?.currentTime > 0`);
      const heard = (): Promise<[boolean, number]> =>
        frame.$eval('.stage video', (video): [boolean, number] => [video.muted, video.volume]);
      expect(await heard()).toEqual([true, 0.5]);
      await (await frame.waitForSelector('::-p-text(Turn the sound on)'))!.click();
      expect(await heard()).toEqual([false, 0.5]);
      await context.close();
      await foreign.stop();
    }));

  test('comes of a column of a batch and of what is chosen on the Shelf, where it is found by what is in it', () =>
    withOrders(async (page) => {
      await openBatch(page);
      const [film, other] = ['k7wq2m9d', 'f3rryday'].map((id) => `${world.host('lanternreel')}/see/${id}`);
      await page.keyboard.sendCharacter(`link;title;from;running order\n${film};Sluice;0:10;Talks\n${other};Ferry;;Talks`);
      await press(page, 'button', 'Make the codes');
      await waitForText(page, 'All 2 rows are made.');
      await press(page, 'button', 'To the Shelf');
      await waitForText(page, '2 embeds are on the Shelf, and 1 running order has what its name says.');
      await press(page, 'link', 'Shelf');
      await find(page, 'link', 'Talks 2');
      await (await find(page, 'searchbox', 'Search the Shelf')).type('ferry');
      await waitForText(page, '1 of 2');
      await press(page, 'link', 'Talks 2');
      await waitForText(page, '2 entries');
      expect(await (await find(page, 'textbox', 'Entry 1 from')).evaluate((field) => (field as HTMLInputElement).value)).toBe(
        '0:10',
      );
      await press(page, 'link', 'Shelf');
      await press(page, 'checkbox', 'Choose Ferry');
      await press(page, 'button', 'As a running order');
      await waitForText(page, '1 entry');
      await find(page, 'link', 'New running order 1');
    }));

  test('takes what is sought and looked at of the Shelf, remembers its pages, and goes back to what was taken away', () =>
    withOrders(async (page) => {
      await openBatch(page);
      const films = Array.from({ length: 9 }, (_, i) => `${world.host('lanternreel')}/see/aaaaaaa${i};Film ${i};tides`);
      const sound = `${world.host('earbrook')}/show/millers-diary;The diary;mill`;
      await page.keyboard.sendCharacter(['link;title;tags', ...films, sound].join('\n'));
      await press(page, 'checkbox', 'Ask the hosts for titles, shapes and covers');
      await press(page, 'button', 'Make the codes');
      await waitForText(page, 'All 10 rows are made.');
      await press(page, 'button', 'To the Shelf');
      await waitForText(page, '10 embeds are on the Shelf');
      await press(page, 'link', 'Orders');
      await press(page, 'button', 'New running order');
      await waitForText(page, 'and 2 more: type, or choose above');
      await (await find(page, 'combobox', 'Tag')).select('mill');
      await press(page, 'button', 'Look at “The diary”');
      await page.waitForSelector('.order-add .order-preview iframe');
      await press(page, 'button', 'Add “The diary”');
      await (await find(page, 'combobox', 'Tag')).select('');
      await (await find(page, 'combobox', 'Kind')).select('video');
      await press(page, 'button', 'Add “Film 3”');
      await waitForText(page, '2 entries');

      await press(page, 'button', 'Copy the code');
      await waitForText(page, 'Copied.');
      await press(page, 'button', 'Remove Film 3');
      await waitForText(page, '1 entry');
      await page.click('.order-kept summary');
      await (await find(page, 'textbox', 'Address of a page')).type('https://tidemill.example/listen');
      await press(page, 'button', 'Add this page');
      await waitForText(page, 'tidemill.example/listen');
      await press(page, 'button', 'Go back to it');
      await find(page, 'button', 'Remove Film 3');
      await waitForText(page, 'Kept');
      await reload(page);
      await find(page, 'button', 'Remove Film 3');
      await page.click('.order-kept summary');
      await waitForText(page, 'tidemill.example/listen');
    }));

  test('is played through: each clip from and to its second, and on; what is not there is found out', () =>
    withOrders(async (page) => {
      const [first, second] = sample().entries;
      await bring(page, {
        ...sample(),
        entries: [
          { ...first!, from: 5, until: 9 },
          { ...second!, from: 10, until: 14 },
          { ...first!, id: '3', title: 'Gone', address: media().replace('k7wq2m9d', 'nothing-here'), from: 5, until: 9 },
        ],
      });
      await press(page, 'button', 'Play it through');
      await waitForText(page, '2 of 3 as they should be.', 90_000);
      await waitForText(page, '“A lecture”, all of it: plays from 0:05 to 0:09, and the next one begins.');
      await waitForText(page, '“Gone”, all of it: could not be played.');
    }));

  test('tells what is wrong, and one press puts it right', () =>
    withOrders(async (page) => {
      const [first, second] = sample().entries;
      await bring(page, { ...sample(), entries: [first!, { ...second!, from: 20, until: 10 }] });
      await waitForText(page, 'The clip of “Opening the sluice” ends before it begins.');
      await press(page, 'button', 'Play to the end');
      await waitForNoText(page, 'ends before it begins');
      await (
        await find(page, 'textbox', 'Add by link, or from the Shelf by its title')
      ).type(`${world.host('lanternreel')}/see/gone0000`);
      await press(page, 'button', 'Add this link');
      await waitForText(page, '3 entries');
      await press(page, 'button', 'Ask whether visitors get each entry');
      await waitForText(page, 'Visitors do not get');
      await press(page, 'button', 'Take it out');
      await waitForText(page, '2 entries');
    }));

  test('is a page without error and without anything that axe finds, under a strict policy, and reads without script', async () => {
    const folder = mkdtempSync(join(tmpdir(), 'order-'));
    const file = join(folder, 'order.html');
    const { html } = pageOf(sample(), {
      book: makeBook(loadCards(readCardFiles(world.server.address)).cards),
      site: readSites(world.server.address)[0]!,
    });
    writeFileSync(file, html);
    // The checker does not know container queries yet (CSS Containment 3, section 5).
    const known = ['--filterpattern', '.*(?:container-type|@container).*'];
    execFileSync('java', ['-jar', vnu, '--errors-only', ...known, '--format', 'gnu', file], { encoding: 'utf8', stdio: 'pipe' });
    const policy = `default-src 'none'; script-src '${SCRIPT_HASH}'; style-src 'unsafe-inline'; media-src http:; frame-src http:`;
    const server = createServer((_, response) =>
      response.setHeader('Content-Type', 'text/html; charset=utf-8').setHeader('Content-Security-Policy', policy).end(html),
    ).listen(0);
    const { context, page } = await newVisitor(world.browser);
    const address = `http://localhost:${(server.address() as AddressInfo).port}/`;
    await page.setBypassCSP(false);
    await goTo(page, address);
    await find(page, 'button', 'Play: A lecture');
    await (await find(page, 'searchbox', 'Search the transcript')).type('wheel');
    await waitForText(page, '1 of 2');
    await page.keyboard.press('Enter');
    await waitForText(page, '2 of 2');
    await page.setJavaScriptEnabled(false);
    await reload(page);
    expect(await page.$$eval('ol > li > a', (links) => links.map(({ href }) => href))).toEqual(
      sample().entries.map((one) => one.address),
    );
    expect(await page.$eval('.said', (said) => (said as HTMLElement).innerText)).toContain('the wheel turns');
    await page.setJavaScriptEnabled(true);
    await page.setBypassCSP(true);
    await reload(page);
    expect(await findings(page)).toEqual([]);
    await context.close();
    server.close();
    rmSync(folder, { recursive: true });
  });
});
