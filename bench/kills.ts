import { mkdtempSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import type { Browser, Page } from 'puppeteer-core';
import { pack, type Bundle } from '../src/core/keeping/bundle/bundle.ts';
import { BUNDLE_VERSION, EMBEDS_ALONE } from '../src/core/keeping/bundle/version.ts';
import { savedSchema, type SavedEmbed } from '../src/core/keeping/shelf/saved.ts';
import { emptyWork } from '../src/core/keeping/shelf/work.ts';
import { openBench } from '../e2e/bench.ts';
import { launchBrowser } from '../e2e/browser.ts';
import { find, goTo, press, startServer, until } from '../e2e/driver.ts';

/**
 * Kills the browser at random moments, in plain editing, while a batch goes to the Shelf, and while a bundle is taken in;
 * starts it again on the same profile, and looks whether anything that was acknowledged is lost, or anything is torn.
 * `npm run kills 100` does so a hundred times.
 */
const times = Number(process.argv[2] ?? 20);
const ROWS = 150;
const server = await startServer();
const profile = mkdtempSync(join(tmpdir(), 'refenestra-kills-'));
const LINK = `http://lanternreel.localhost:${server.port}/see/k7wq2m9d`;

interface Kill {
  /** Begins what is to be cut short; resolves when it has begun. */
  begin: (page: Page, round: number) => Promise<void>;
  /** Milliseconds within which the browser dies. */
  within: number;
  /** What is wrong with what is there afterwards, or null. */
  judge: (rows: readonly SavedEmbed[], heard: readonly string[], round: number) => string | null;
}

/** The links of a round's batch, and nobody else's. */
const batchLink = (round: number): string => `${LINK}?round=${round}&at=`;

const allOrNone = (rows: readonly SavedEmbed[], mine: (row: SavedEmbed) => boolean, told: boolean): string | null => {
  const count = rows.filter(mine).length;
  if (count !== 0 && count !== ROWS) return `${count} of ${ROWS} are there`;
  return told && count === 0 ? 'what was told to be there is lost' : null;
};

const bundleOf = (round: number): Bundle => {
  const embeds = Array.from({ length: ROWS }, (_, i) => {
    const id = `bundle-${round}-${i}`;
    const work = { ...emptyWork('mill', id), text: LINK, style: {} };
    return savedSchema.parse({ id, work, title: `T ${i}`, host: 'lanternreel', kind: 'video', made: 1, changed: 1, item: LINK });
  });
  return { format: 'refenestra-bundle', version: BUNDLE_VERSION, made: new Date().toISOString(), embeds, ...EMBEDS_ALONE };
};

const KILLS: Record<string, Kill> = {
  editing: {
    within: 1500,
    begin: async (page) => {
      await openBench(page, server.address);
      await page.evaluate(() => {
        const channel = new BroadcastChannel('refenestra-embeds');
        channel.onmessage = ({ data }: MessageEvent<{ id: string; revision: number }>) =>
          console.log(`kept ${data.id} ${data.revision}`);
      });
      const handle = await find(page, 'slider', 'Width of the embed');
      void handle
        .evaluate(async (slider) => {
          for (let i = 0; ; i++) {
            const key = Math.floor(i / 20) % 2 === 0 ? 'ArrowLeft' : 'ArrowRight';
            slider.dispatchEvent(new KeyboardEvent('keydown', { key, bubbles: true }));
            await new Promise((done) => setTimeout(done, 15));
          }
        })
        .catch(() => undefined);
    },
    judge: (rows, heard) => {
      const [, id, revision] = heard.findLast((line) => line.startsWith('kept '))?.split(' ') ?? [];
      if (id === undefined) return null;
      const row = rows.find((one) => one.id === id);
      if (!row) return 'an embed that was kept is gone';
      return row.revision < Number(revision) ? `revision ${revision} was kept, and ${row.revision} is there` : null;
    },
  },
  batch: {
    within: 900,
    begin: async (page, round) => {
      await goTo(page, `${server.address}/batch`);
      await find(page, 'button', 'Make the codes');
      const field = await page.waitForSelector('.batch-text textarea');
      const links = Array.from({ length: ROWS }, (_, i) => `${batchLink(round)}${i + 1}s`).join('\n');
      // What the last batch was made of is still there, and goes.
      await field!.evaluate((area) => area.select());
      await page.keyboard.sendCharacter(links);
      const asks = await page.$('input[type=checkbox]');
      if (await asks!.evaluate((box) => box.checked)) await asks!.click();
      await press(page, 'button', 'Make the codes');
      await until(page, () =>
        [...document.querySelectorAll('button')].some(({ textContent, disabled }) => textContent === 'To the Shelf' && !disabled),
      );
      await watchWords(page);
      await press(page, 'button', 'To the Shelf');
    },
    judge: (rows, heard, round) =>
      allOrNone(
        rows,
        ({ work }) => work.text.startsWith(batchLink(round)),
        heard.some((line) => line.includes('on the Shelf.')),
      ),
  },
  bundle: {
    within: 900,
    begin: async (page, round) => {
      await goTo(page, `${server.address}/shelf`);
      await press(page, 'button', 'Backup');
      const field = await page.waitForSelector('input[type=file][accept*=zip]');
      const file = join(profile, 'in.zip');
      writeFileSync(file, pack(bundleOf(round)));
      await (field as unknown as { uploadFile: (path: string) => Promise<void> }).uploadFile(file);
      await find(page, 'button', `Take ${ROWS} in`);
      await watchWords(page);
      await press(page, 'button', `Take ${ROWS} in`);
    },
    judge: (rows, heard, round) =>
      allOrNone(
        rows,
        ({ id }) => id.startsWith(`bundle-${round}-`),
        heard.some((line) => line.includes('imported.')),
      ),
  },
};

/** What the screen tells is heard by the driver, even when it dies a moment later. */
async function watchWords(page: Page): Promise<void> {
  await page.evaluate(() => {
    // No function with a name of its own: the compiler would call a helper that the page does not have.
    new MutationObserver(() => {
      const words = [...document.querySelectorAll('[role=status]')].map((one) => one.textContent).join(' ');
      if (/on the Shelf\.|imported\./.test(words)) console.log(words);
    }).observe(document.body, { subtree: true, childList: true, characterData: true });
  });
}

async function open(): Promise<{ browser: Browser; page: Page; heard: string[] }> {
  const browser = await launchBrowser(profile);
  // The page that is in front: one behind it draws nothing.
  const page = (await browser.pages())[0]!;
  page.setDefaultTimeout(30_000);
  await page.setViewport({ width: 1280, height: 800 });
  await page.bringToFront();
  const heard: string[] = [];
  page.on('console', (message) => heard.push(message.text()));
  return { browser, page, heard };
}

/** All that the store holds, as it is. */
const stored = (page: Page): Promise<unknown[]> =>
  page.evaluate(
    () =>
      new Promise<unknown[]>((done, fail) => {
        const opening = indexedDB.open('refenestra');
        opening.onerror = () => fail(new Error('the store does not open'));
        opening.onsuccess = () => {
          const all = opening.result.transaction('embeds').objectStore('embeds').getAll();
          all.onsuccess = () => {
            opening.result.close();
            done(all.result as unknown[]);
          };
        };
      }),
  );

let wrong = 0;
const counts: Record<string, { kills: number; whole: number }> = {};
for (let round = 0; round < times; round++) {
  const kinds = Object.entries(KILLS);
  const [kind, { begin, within, judge }] = kinds[round % kinds.length]!;
  const { browser, page, heard } = await open();
  await begin(page, round);
  await new Promise((done) => setTimeout(done, Math.random() * within));
  const told = [...heard];
  browser.process()!.kill('SIGKILL');
  await browser.disconnect();
  const again = await open();
  await goTo(again.page, `${server.address}/shelf`);
  await until(again.page, () => document.querySelector('h1') !== null);
  const rows = await stored(again.page);
  const read = rows.map((row) => savedSchema.safeParse(row));
  const torn = read.filter(({ success }) => !success).length;
  const why =
    torn > 0
      ? `${torn} cannot be read`
      : judge(
          read.flatMap(({ data }) => data ?? []),
          told,
          round,
        );
  counts[kind] = { kills: (counts[kind]?.kills ?? 0) + 1, whole: (counts[kind]?.whole ?? 0) + Number(why === null) };
  if (why !== null) {
    wrong++;
    console.log(`round ${round}, ${kind}: ${why}`);
  }
  await again.browser.close();
}
console.log(`${times} kills: ${JSON.stringify(counts)}; ${wrong} times something was lost or torn`);
await server.stop();
rmSync(profile, { recursive: true, force: true });
process.exit(wrong === 0 ? 0 : 1);
