import { existsSync, mkdirSync, readFileSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import type { Browser, Page } from 'puppeteer-core';
import { bringIn, choose, openBench, openToken, type } from './bench.ts';
import { launchBrowser } from './browser.ts';
import { compared } from './compared.ts';
import { makeBook } from '../src/core/known/hosts/book.ts';
import { loadCards } from '../src/core/known/hosts/loadCards.ts';
import { newOrder, type Order } from '../src/core/order/order.ts';
import { pageOf } from '../src/core/order/page/page.ts';
import { readCardFiles, readSites, WRITTEN_PORT } from '../src/standins/world.ts';
import { demoLinks } from './world.ts';
import { find, goTo, newVisitor, paste, press, startServer, until, waitForText } from './driver.ts';

/** Takes the pictures of `docs/screenshots/`, from the demo data, and says which of them are otherwise than before, and where. */
const folder = join(import.meta.dirname, '../docs/screenshots');
mkdirSync(folder, { recursive: true });

interface Shot {
  name: string;
  width?: number;
  height?: number;
  night?: boolean;
  prepare: (page: Page, host: (name: string) => string) => Promise<void>;
}

async function makeVideo(page: Page, host: (name: string) => string): Promise<void> {
  await bringIn(page, `${host('lanternreel')}/see/k7wq2m9d?at=42s&ref=letter`);
  await waitForText(page, 'at 0:42');
  await choose(page, 'waits for a press', 'Autoplay', 'on');
  await choose(page, 'with sound', 'Mute', 'on');
  await choose(page, 'suggests anything', 'Suggestions at the end', 'Same channel');
  await type(page, 'plays to the end', 'End time', '2:30');
  await waitForText(page, 'In the preview: playing');
}

async function makeSeveral(page: Page, host: (name: string) => string): Promise<void> {
  await makeVideo(page, host);
  await bringIn(page, `${host('murmurfold')}/quillmarsh-mill/the-mill-at-night`);
  await waitForText(page, 'The mill at night');
  await choose(page, 'usual player', 'Player size', 'Slim');
  await bringIn(page, `${host('foliobarn')}/d/grd-7t1x5w/view`);
  await waitForText(page, 'Guide for new millers');
  await type(page, 'opens at page 1', 'Start page', '5');
  await bringIn(page, `${host('lanternreel')}/upright/u4wheel0`);
  await waitForText(page, 'The wheel in forty seconds');
  await choose(page, 'aligned left', 'Alignment', 'Centre');
  await new Promise((done) => setTimeout(done, 500));
  await press(page, 'link', 'Shelf');
  await waitForText(page, '4 embeds');
  await press(page, 'button', 'More on Guide for new millers');
  await (await find(page, 'textbox', 'Tags, with spaces between')).type('guide volunteers');
  await page.keyboard.press('Enter');
  await (await find(page, 'textbox', 'Address of a page')).type('https://tidemill.example/volunteers');
  await press(page, 'button', 'Add this page');
  await waitForText(page, 'on 1 page');
}

async function makeCard(page: Page): Promise<void> {
  await openBook(page, '/hosts/lanternreel', 'From link to frame');
  await press(page, 'button', 'Copy as my own');
  await find(page, 'textbox', 'The card as JSON');
}

async function makeOrder(page: Page, host: (name: string) => string): Promise<void> {
  await goTo(page, `${new URL(page.url()).origin}/orders`);
  await press(page, 'button', 'New running order');
  const line = await find(page, 'textbox', 'Add by link, or from the Shelf by its title');
  await line.focus();
  await page.keyboard.sendCharacter(
    [
      `${host('lanternreel')}/see/k7wq2m9d?at=42s`,
      `${host('earbrook')}/show/millers-diary/3`,
      `${host('plumbline')}/4410207`,
    ].join('\n'),
  );
  await press(page, 'button', 'Add these 3 links');
  const field = await find(page, 'textbox', 'Entry 1 until');
  await field.type('1:30');
  const preview = await page.waitForFrame(async (frame) => (await frame.$('.press')) !== null);
  await preview.waitForFunction(() => document.body.innerText.includes('A stone with a temper'));
}

const SAID = [
  ['Wenna', 'The wheel turns twice a day, when the tide runs out of the pond.'],
  ['Oke', 'And at night?'],
  ['Wenna', 'At night it waits. The sluice is shut, and the pond keeps what the sea has lent.'],
  ['Wenna', 'In the morning the wheel begins by itself.'],
] as const;

/** The page of a running order in its layouts, by day and by night, and as narrow as on a phone with its transcript searched. */
async function makePlayers(page: Page, host: (name: string) => string): Promise<void> {
  const { origin } = new URL(host('stage.quernhill'));
  const film = `${origin}/media/k7wq2m9d.webm`;
  const transcript = SAID.map(([who, text], i) => ({ who, text, from: i * 8, until: i * 8 + 7 }));
  const chapters = [
    { at: 0, title: 'The wheel' },
    { at: 16, title: 'The night' },
  ];
  const entries = [
    {
      id: 'a',
      address: film,
      title: 'A day at the tide mill',
      author: 'Quillmarsh Tide Mill',
      seconds: 92,
      chapters,
      transcript,
    },
    { id: 'b', address: `${host('lanternreel')}/see/k7wq2m9d`, title: 'Opening the sluice', seconds: 210 },
    { id: 'c', address: `${host('earbrook')}/show/millers-diary/3`, title: 'A stone with a temper', seconds: 1330 },
  ];
  const book = makeBook(loadCards(readCardFiles(host('x').replace('x.', ''))).cards);
  const site = readSites(host('x').replace('x.', ''))[0]!;
  const frameOf = (layout: Order['layout'], width: number, { night = false, words = true } = {}): string => {
    const order = newOrder('o', {
      name: 'Tide mills',
      layout,
      entries: words ? entries : entries.map((one) => ({ ...one, transcript: [] })),
    });
    const looks = night ? { ...site, light: site.dark } : { ...site, followsTheme: false };
    const html = pageOf(order, { book, site: looks }).html.replaceAll('&', '&amp;').replaceAll('"', '&quot;');
    return `<iframe class="${layout}" srcdoc="${html}" style="width:${width}px" title="${layout}"></iframe>`;
  };
  await page.goto(`${origin}/media/`).catch(() => undefined);
  await page.setContent(
    `<!doctype html><style>body{margin:16px;display:grid;grid-template-columns:800px 400px;gap:16px;background:#ddd}iframe{border:0;height:372px}</style>${frameOf('beside', 800, { words: false })}${frameOf('below', 400)}${frameOf('strip', 800, { night: true, words: false })}${frameOf('one', 400)}`,
  );
  for (const frame of page.frames().slice(1)) {
    await frame.waitForSelector('.press');
    if ((await frame.$('main.below')) !== null) {
      await frame.click('.press');
      await frame.waitForSelector('video');
      const search = await frame.waitForSelector('input[type="search"]');
      await search!.type('wheel');
    }
  }
}

/** A host in nobody's book, with what its share page shows. */
async function makeTeach(page: Page, host: (name: string) => string): Promise<void> {
  const link = (words: string): string => `${host('quernhill')}/films/${words}`;
  const frame = (path: string): string => `<iframe src="${host('stage.quernhill')}/${path}" width="560" height="315"></iframe>`;
  await openBook(page, '/hosts/teach', 'Links and embed codes');
  await (await find(page, 'textbox', 'Links and embed codes, in any order')).focus();
  const codes = ['731205/', '731205/run', '731205/hush,round', '731205/#0:12'].map(frame);
  await paste(page, [link('the-mill-from-the-causeway-731205'), ...codes].join('\n'));
  await find(page, 'button', 'That is right');
}

/** A name that is no link, and what hosts found under it. */
async function makeGerman(page: Page, host: (name: string) => string): Promise<void> {
  await makeVideo(page, host);
  await press(page, 'button', 'Deutsch');
  await find(page, 'button', 'Code kopieren');
  await waitForText(page, 'In der Vorschau: spielt');
}

/** A card library, before anything of it is taken. */
async function makeSweep(page: Page): Promise<void> {
  await goTo(page, `${new URL(page.url()).origin}/sweep`);
  await press(page, 'button', 'Try a sample site');
  await waitForText(page, 'hosts in');
  await press(page, 'checkbox', 'Give frames without a title that of the heading above');
  await waitForText(page, '0 after the changes');
  const [, , , , , row] = await page.$$('.sweep-place');
  await row!.click();
  await find(page, 'button', 'Copy the new code');
}

async function makeUnknown(page: Page, host: (name: string) => string): Promise<void> {
  await bringIn(page, `<iframe src=“${host('postern')}/player/sea-wall?skin=dark?lap=3” width=“900” height=“420”></iframe>`);
  await waitForText(page, 'No card knows this host');
  await waitForText(page, 'A walk along the sea wall', 3000).catch(() => undefined);
}

async function makeCover(page: Page, at: (host: string) => string): Promise<void> {
  await bringIn(page, `${at('lanternreel')}/see/k7wq2m9d`);
  await waitForText(page, 'Opening the sluice');
  await page.select('.code-head select', 'cover');
  await openToken(page, 'a plain cover', 'Cover picture');
  await press(page, 'button', 'Take the host’s picture');
  await until(page, () => / kB$/.test(document.querySelector('.cover-weight')?.textContent ?? ''));
}

/** Autoplay with sound, which browsers refuse, and an end without any videos, which the host no longer gives. */
async function makeProof(page: Page, at: (host: string) => string): Promise<void> {
  await bringIn(page, `${at('lanternreel')}/see/k7wq2m9d?at=42s`);
  await waitForText(page, 'at 0:42');
  await choose(page, 'waits for a press', 'Autoplay', 'on');
  await choose(page, 'suggests anything', 'Suggestions at the end', 'Nothing');
  await type(page, 'plays to the end', 'End time', '2:30');
  await press(page, 'button', 'Play it through');
  await page.waitForSelector('[aria-label="Play-through"][aria-busy="false"]', { timeout: 60_000 });
}

async function makePublishedCode(page: Page, at: (host: string) => string): Promise<void> {
  await bringIn(page, `${at('lanternreel')}/see/k7wq2m9d`);
  await waitForText(page, 'Opening the sluice');
  await press(page, 'button', 'Published code');
  const field = await find(page, 'textbox', 'Paste the source of the published page, or of the part with the embed');
  await field.focus();
  const src = `${at('frames.lanternreel')}/f/k7wq2m9d`;
  await page.keyboard.sendCharacter(`<div class="post">\n  <p><iframe src="${src}"></iframe></p>\n</div>`);
  await waitForText(page, 'not as they were given');
}

/** The sample world as a table, some of its rows in need of somebody; while hosts are asked, or when all is there. */
async function makeBatch(page: Page, at: (host: string) => string): Promise<void> {
  await openBook(page, '/batch', 'Make the codes');
  const troubles = ['ask the ferryman;;', `${at('lanternreel')}/see/f3rryday;;soon`, `${at('foliobarn')}/d/grd-7t1x5w/edit;;`];
  const links = demoLinks(WRITTEN_PORT).map((link) => `${link};;`);
  await page.focus('.batch-text textarea');
  await page.keyboard.sendCharacter(['link;title;begin', ...troubles, ...links].join('\n'));
  await press(page, 'button', 'Make the codes');
  await waitForText(page, 'All 83 rows are made.');
}

async function openBook(page: Page, path: string, words: string): Promise<void> {
  await goTo(page, new URL(path, page.url()).href);
  await waitForText(page, words);
}

const SHOTS: readonly Shot[] = [
  { name: 'bench', prepare: makeVideo },
  { name: 'bench-night', night: true, prepare: makeVideo },
  { name: 'bench-phone', width: 390, height: 844, prepare: makeVideo },
  { name: 'orders', prepare: makeOrder },
  { name: 'orders-player', prepare: makePlayers },
  { name: 'bench-unknown', prepare: makeUnknown },
  { name: 'bench-german', prepare: makeGerman },
  { name: 'hosts', prepare: (page) => openBook(page, '/hosts', 'Pages at once') },
  { name: 'teach', prepare: makeTeach },
  { name: 'sweep', prepare: makeSweep },
  { name: 'hosts-card', prepare: makeCard },
  { name: 'help', prepare: (page) => openBook(page, '/help', 'Autoplay') },
  { name: 'bench-cover', prepare: makeCover },
  { name: 'play-through', prepare: makeProof },
  { name: 'published-code', prepare: makePublishedCode },
  {
    name: 'connect',
    prepare: async (page) => {
      await openBook(page, '/connect', 'From a page editor');
      await press(page, 'button', 'Ask');
      await waitForText(page, 'Lanternreel, video');
    },
  },
  { name: 'sites', prepare: (page) => openBook(page, '/sites/mill', 'What its editor keeps') },
  { name: 'shelf', prepare: makeSeveral },
  { name: 'batch', night: true, prepare: (page, at) => makeBatch(page, at) },
];

/** The day on which all pictures are taken. */
const TAKEN = Date.parse('2026-11-26T10:00:00Z');

/** Days that are shown are those of the pictures; the clock goes on, since the application waits by it. */
function standStill(taken: number): void {
  const ahead = Date.now() - taken;
  const { now } = Date;
  Date.now = () => now() - ahead;
  globalThis.Date = new Proxy(Date, {
    construct: (target, given: unknown[]) => Reflect.construct(target, given.length === 0 ? [target.now()] : given) as Date,
  });
}

function sayCompared(before: Uint8Array, after: Uint8Array): string {
  const changed = compared(before, after);
  if (changed === null) return 'as before';
  if (changed === 'size') return 'of another size';
  const { left, top, right, bottom } = changed.box;
  return `${(changed.share * 100).toFixed(2)} % otherwise, between ${left},${top} and ${right},${bottom}`;
}

async function take(browser: Browser, { address, port }: { address: string; port: number }, shot: Shot): Promise<void> {
  const { name, width = 1280, height = 800, night = false, prepare } = shot;
  const { context, page } = await newVisitor(browser, { width, height });
  await page.emulateMediaFeatures([
    { name: 'prefers-color-scheme', value: night ? 'dark' : 'light' },
    { name: 'prefers-reduced-motion', value: 'reduce' },
  ]);
  await page.evaluateOnNewDocument(standStill, TAKEN);
  await openBench(page, address);
  await prepare(page, (host) => `http://${host}.localhost:${port}`);
  await page.mouse.move(0, 0);
  if (!name.endsWith('colours')) await page.evaluate(() => document.querySelector('.screen')?.scrollTo(0, 0));
  await new Promise((done) => setTimeout(done, 1200));
  const path = join(folder, `${name}.png`);
  const picture = await page.screenshot();
  console.log(`${name}: ${existsSync(path) ? sayCompared(readFileSync(path), picture) : 'new'}`);
  writeFileSync(path, picture);
  await context.close();
}

const server = await startServer(WRITTEN_PORT);
const browser = await launchBrowser();
const wanted = process.argv.slice(2);
for (const shot of SHOTS) if (wanted.length === 0 || wanted.includes(shot.name)) await take(browser, server, shot);
await browser.close();
await server.stop();
