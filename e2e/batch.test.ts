import { spawn } from 'node:child_process';
import { mkdtempSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { text as readAll } from 'node:stream/consumers';
import { strFromU8, unzipSync } from 'fflate';
import Papa from 'papaparse';
import type { Page } from 'puppeteer-core';
import { describe, expect, test } from 'vitest';
import { readSites } from '../src/standins/world.ts';
import { choose, codeOf } from './bench.ts';
import { find, goTo, newVisitor, press, publish, until, waitForText } from './driver.ts';
import { dumpStore, forget, giveFile, savedBy } from './files.ts';
import { demoLinks, useServerAndBrowser, visitor } from './world.ts';

/** Many links at once. */
const world = useServerAndBrowser();

const visit = (work: (page: Page) => Promise<void>): Promise<void> =>
  visitor(world)('/batch', ['button', 'Make the codes'], work);

/** Puts a text into the field, as a paste does. */
async function put(page: Page, text: string): Promise<void> {
  const field = await page.waitForSelector('.batch-text textarea');
  await field!.focus();
  await page.keyboard.sendCharacter(text);
}

async function fromFile(page: Page, text: string): Promise<void> {
  const path = join(tmpdir(), `batch-${process.pid}.csv`);
  writeFileSync(path, text);
  await giveFile(page, 'Open a file', path);
  await waitForText(page, 'batch-');
}

const TROUBLES = [
  'ask the ferryman;No link;',
  'javascript:alert(1);Not for frames;',
  'FOLIOBARN/d/grd-7t1x5w/edit;Edit link;',
  'LANTERNREEL/see/k7wq2m9d;No time;soon',
  'LANTERNREEL/see/k7wq2m9d;Before its start;-4',
  'LANTERNREEL/see/f3rryday;"A ""line""\r\nand another; with a semicolon";never',
];

describe('two hundred links', () => {
  test('twelve of them troubled, become codes, and CSV again, as on the command line; the rows that need somebody come first', () =>
    visit(async (page) => {
      const good = demoLinks(world.server.port);
      const troubled = [...TROUBLES, ...TROUBLES].map((row) =>
        row.replace('FOLIOBARN', world.host('foliobarn')).replace('LANTERNREEL', world.host('lanternreel')),
      );
      const rows = Array.from({ length: 200 }, (_, i) =>
        i % 17 === 3 && i < 200 ? troubled[Math.floor(i / 17)]! : `${good[i % good.length]};Row ${i + 1};`,
      );
      expect(rows.filter((row) => troubled.includes(row))).toHaveLength(12);
      // Of a host that no card knows: its page says where its player is.
      rows[0] = `${world.host('quernhill')}/films/a-day-at-the-wall-88014;Row 1;`;
      await fromFile(page, `Link;Title;Begin\r\n${rows.join('\r\n')}\r\n`);
      await press(page, 'button', 'Make the codes');
      await waitForText(page, 'All 200 rows are made.');
      await waitForText(page, '12 need a decision');
      const first = await page.$eval('li.batch-row .number', (cell) => cell.textContent);
      expect(first).toBe('4');
      const csv = await savedBy(page, () => press(page, 'button', 'Save as CSV'));
      const { data } = Papa.parse<string[]>(csv.bytes.toString().replace(/^\uFEFF/, ''), { skipEmptyLines: true });
      const [head, ...out] = data;
      expect(head).toEqual(['Link', 'Title', 'Begin', 'embed code', 'state', 'findings']);
      const came = Papa.parse<string[]>(rows.join('\r\n'), { delimiter: ';' }).data;
      expect(out.map((row) => row.slice(0, 3))).toEqual(came);
      expect(out.filter((row) => row[4] === 'needs a decision').map((row) => row[5]!.length > 20)).toEqual(Array(12).fill(true));
      for (const row of out.filter(([, , , , state]) => state !== 'needs a decision')) expect(row[3]).toContain('<');
      expect(out[0]![3]).toContain(`stage.quernhill.localhost:${world.server.port}/88014/`);
      const zip = await savedBy(page, () => press(page, 'button', 'A file for each'));
      const files = Object.values(unzipSync(zip.bytes)).map((bytes) => strFromU8(bytes).trim());
      expect(files).toEqual(out.flatMap((row) => (row[3] === '' ? [] : [row[3]])));
      await press(page, 'button', 'To the Shelf');
      await waitForText(page, 'on the Shelf.');
      const { embeds } = await dumpStore(page);
      expect((embeds as { code: string }[]).map(({ code }) => code).sort()).toEqual([...files].sort());
      expect(await codesOfCommandLine(`Link;Title;Begin\r\n${rows.join('\r\n')}\r\n`)).toEqual(out.map((row) => row[3]));
      forget(csv);
      forget(zip);
    }));
});

/** The codes that the command line makes of the same table, for the same site. */
const codesOfCommandLine = (text: string): Promise<string[]> =>
  withFiles({ 'in.csv': text, 'site.json': JSON.stringify(readSites(world.server.address)[0]) }, async (at) => {
    const csv = await cli(['batch', at('in.csv'), '--site', at('site.json'), '--ask', world.server.address]);
    const { data } = Papa.parse<string[]>(csv.replace(/^\uFEFF/, ''), { skipEmptyLines: true });
    return data.slice(1).map((row) => row[3]!);
  });

async function withFiles<Result>(
  files: Readonly<Record<string, string>>,
  work: (at: (name: string) => string) => Promise<Result>,
): Promise<Result> {
  const folder = mkdtempSync(join(tmpdir(), 'batch-'));
  const at = (name: string): string => join(folder, name);
  for (const [name, text] of Object.entries(files)) writeFileSync(at(name), text);
  try {
    return await work(at);
  } finally {
    rmSync(folder, { recursive: true });
  }
}

/** What the command line prints, beside the server that runs here. */
function cli(args: readonly string[]): Promise<string> {
  const child = spawn(process.execPath, ['dist/node/cli.js', ...args], {
    cwd: join(import.meta.dirname, '..'),
    env: { ...process.env, PORT: String(world.server.port) },
    stdio: ['ignore', 'pipe', 'ignore'],
  });
  return readAll(child.stdout);
}

describe('a link that no card knows, on the command line', () => {
  const link = 'https://films.example/films/a-day-at-the-wall-88014';
  const embed = (...more: string[]): Promise<string> => cli(['embed', link, '--ask', world.server.address, ...more]);

  test('becomes the player that a provider list leads to, and stays the page without one', async () => {
    const provider = {
      provider_name: 'Films',
      provider_url: 'https://films.example/',
      endpoints: [{ schemes: ['https://films.example/films/*'], url: `${world.host('quernhill')}/oembed` }],
    };
    const code = await withFiles({ 'providers.json': JSON.stringify([provider]) }, (at) =>
      embed('--providers', at('providers.json')),
    );
    expect(code).toContain('title="A day at the wall"');
    expect(code).toContain(`stage.quernhill.localhost:${world.server.port}/88014/`);
    expect(await embed()).toContain(`src="${link}"`);
  });
});

describe('rows', () => {
  test('are set for all, for the chosen, and one by one on the Bench, from where it comes back', () =>
    visit(async (page) => {
      await put(page, `Listen: ${world.host('lanternreel')}/see/k7wq2m9d and ${world.host('lanternreel')}/see/f3rryday`);
      await press(page, 'button', 'Make the codes');
      await waitForText(page, 'The ferry at first light');
      await page.select('[aria-label="Which setting"]', 'related');
      await page.select('[aria-label="Its value"]', 'same');
      await press(page, 'button', 'Set it');
      await until(
        page,
        () => [...document.querySelectorAll('.batch-code')].filter((c) => c.textContent.includes('after=own')).length === 2,
      );
      await press(page, 'checkbox', 'Choose row 2');
      await page.select('[aria-label="Which setting"]', 'controls');
      await page.select('[aria-label="Its value"]', 'off');
      await press(page, 'button', 'Set it');
      await press(page, 'button', 'Open row 1');
      await waitForText(page, 'Row 1 of the batch.');
      await choose(page, 'plays once', 'Loop', 'on');
      const code = await codeOf(page);
      await press(page, 'link', 'Back to the batch');
      await waitForText(page, 'All 2 rows are made.');
      const html = await savedBy(page, () => press(page, 'button', 'One HTML file'));
      const text = html.bytes.toString();
      expect(text).toContain(code);
      const watch = await publish(world.browser, text);
      await until(watch.page, () => document.querySelectorAll('iframe').length === 2);
      await watch.close();
      forget(html);
    }));

  test('of a feed bring their titles and days; columns can be told to be something else', () =>
    visit(async (page) => {
      await put(page, `Talk,Where,Note\nThe sluice,${world.host('lanternreel')}/see/k7wq2m9d,Seen from the causeway\n`);
      await press(page, 'button', 'Make the codes');
      await waitForText(page, 'The row is made.');
      await page.select('.batch-columns th:nth-child(3) select', 'caption');
      await until(
        page,
        () => document.querySelector<HTMLElement>('.batch-row .batch-code')?.title.includes('Seen from the causeway') ?? false,
      );
      await press(page, 'button', 'New batch');
      await put(
        page,
        `<rss version="2.0"><channel><item><title>Low water</title><link>${world.host('lanternreel')}/see/k7wq2m9d</link><description>At the sluice.</description></item></channel></rss>`,
      );
      await press(page, 'button', 'Make the codes');
      await waitForText(page, 'Low water');
    }));
});

describe('ten thousand rows', () => {
  const many = (count: number): string =>
    Array.from({ length: count }, (_, i) => `${world.host('lanternreel')}/see/k7wq2m9d?at=${i}s`).join('\n');

  test('are called off at once, and what is made stays', () =>
    visit(async (page) => {
      await page.$eval('.batch-ways input[type="checkbox"]', (box) => box.click());
      await fromFile(page, many(10_000));
      await press(page, 'button', 'Make the codes');
      await find(page, 'button', 'Cancel');
      const waited = await page.evaluate(async () => {
        const cancel = [...document.querySelectorAll('button')].find((button) => button.textContent === 'Cancel')!;
        const from = performance.now();
        cancel.click();
        while (!document.body.innerText.includes('Cancelled after')) await new Promise((done) => setTimeout(done, 5));
        return performance.now() - from;
      });
      // On a machine that has other work the wait is longer; the bench tells the figure.
      expect(waited).toBeLessThan(1500);
      const [, made] = /Cancelled after (\d+) of 10000/.exec(await page.$eval('.batch-progress', (line) => line.textContent))!;
      expect(Number(made)).toBeLessThan(10_000);
      await waitForText(page, `${Number(made).toLocaleString('en-GB')} rows`);
    }));

  test('whose tab is closed are there to be made again, and nothing of them is on the Shelf', async () => {
    const { context, page } = await newVisitor(world.browser);
    await goTo(page, `${world.server.address}/batch`);
    await find(page, 'button', 'Make the codes');
    await fromFile(page, many(5000));
    await press(page, 'button', 'Make the codes');
    await find(page, 'button', 'Cancel');
    await page.close();
    const again = await context.newPage();
    await goTo(again, `${world.server.address}/batch`);
    await find(again, 'button', 'Make the codes');
    await waitForText(again, '5,000 lines');
    const { embeds } = await dumpStore(again);
    expect(embeds).toEqual([]);
    await context.close();
  });
});
