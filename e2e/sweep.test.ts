import { execFileSync } from 'node:child_process';
import { cpSync, mkdtempSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { strFromU8, unzipSync } from 'fflate';
import type { ElementHandle, Page } from 'puppeteer-core';
import { afterAll, describe, expect, test } from 'vitest';
import { findings } from './axe.ts';
import { find, goTo, newVisitor, press, waitFor, waitForNoText, waitForText } from './driver.ts';
import { launchBrowser } from './browser.ts';
import { forget, giveFile, savedBy } from './files.ts';
import { useServerAndBrowser, visitor } from './world.ts';

const world = useServerAndBrowser(launchBrowser);
const folder = mkdtempSync(join(tmpdir(), 'sweep-flow-'));
afterAll(() => rmSync(folder, { recursive: true }));

const visit = (work: (page: Page) => Promise<void>): Promise<void> => visitor(world)('/sweep', ['button', 'Read the site'], work);

const TITLES = 'Give frames without a title that of the heading above';
const COVERS = 'Put a cover before everything that loads unasked';

/** Gives a whole folder to the field behind a button, as browsers have it that write into none. */
async function giveFolder(page: Page, path: string): Promise<void> {
  await page.evaluate(() => void Reflect.deleteProperty(window, 'showDirectoryPicker'));
  await press(page, 'link', 'Shelf');
  await press(page, 'link', 'Sweep');
  const field = await page.waitForSelector('::-p-xpath(//label[contains(., "Open a folder")]//input)');
  await (field as ElementHandle<HTMLInputElement>).uploadFile(path);
}

/** As many files are written as take a while. */
const FILES = 200;

/** Files of a site in a folder that the browser keeps for this page, by their number. */
async function fillFolder(count: number, port: number): Promise<string[]> {
  const folder = await navigator.storage.getDirectory();
  const texts = Array.from(
    { length: count },
    (_, i) =>
      `<!doctype html><h2>Page ${i}</h2>\r\n<iframe src="http://frames.lanternreel.localhost:${port}/f/k7wq2m9d" width="560" height="315"></iframe>\n<p>é &amp; more</p>`,
  );
  for (const [i, text] of texts.entries()) {
    const handle = await folder.getFileHandle(`page-${String(i).padStart(3, '0')}.html`, { create: true });
    const stream = await handle.createWritable();
    await stream.write(text);
    await stream.close();
  }
  return texts;
}

async function readFolder(): Promise<string[]> {
  const folder = await navigator.storage.getDirectory();
  const texts: [string, string][] = [];
  for await (const [name, handle] of (
    folder as unknown as { entries: () => AsyncIterable<[string, FileSystemFileHandle]> }
  ).entries())
    if (name.endsWith('.html')) texts.push([name, await (await handle.getFile()).text()]);
  return texts.sort(([a], [b]) => (a < b ? -1 : 1)).map(([, text]) => text);
}

/** Whoever is asked for a folder chooses that one. */
function chooseOwnFolder(): void {
  Object.assign(window, { showDirectoryPicker: () => navigator.storage.getDirectory() });
}

describe('a site is swept', () => {
  test('as a sample: put right, saved, opened again as a zip, and nothing is left of what was promised', () =>
    visit(async (page) => {
      await press(page, 'button', 'Try a sample site');
      await waitForText(page, '12 embeds of 12 items from 12 hosts');
      await waitForText(page, 'The frame has no title');
      await press(page, 'checkbox', TITLES);
      await press(page, 'checkbox', COVERS);
      await waitForText(page, 'Save the changed files (12 embeds)');
      expect(await findings(page)).toEqual([]);
      // One is spared.
      await press(page, 'checkbox', 'Change notes/02.md, line 5');
      await waitForText(page, 'Save the changed files (11 embeds)');
      const saved = await savedBy(page, () => press(page, 'button', 'Save the changed files (11 embeds)'));
      expect(Object.keys(unzipSync(saved.bytes))).toHaveLength(11);
      await press(page, 'button', 'New sweep');
      await giveFile(page, 'Open a zip or files', saved.path);
      await waitForText(page, '11 embeds of 11 items');
      await waitForNoText(page, 'The frame has no title');
      await waitForText(page, 'loads unasked: 0');
      forget(saved);
    }));

  test('as a folder: the patch gives with git what the product promised, and its reverse the folder as it was', () =>
    visit(async (page) => {
      const site = join(folder, 'site');
      const { port } = world.server;
      const code = `<iframe src="http://frames.lanternreel.localhost:${port}/f/k7wq2m9d?auto=1" width="560" height="315"></iframe>`;
      const files = {
        'index.html': `<!doctype html><html lang="en"><title>T</title><h2>High water</h2>\r\n${code}\r\n<p>é & more</p></html>`,
        'note.md': `# Low water\n\n${code}\n\n\`\`\`html\n${code}\n\`\`\`\n`,
        'script.html': `<!doctype html><script>const code = '${code}';</script>`,
        'picture.bin': 'nothing of ours',
      };
      execFileSync('mkdir', ['-p', site]);
      for (const [name, text] of Object.entries(files)) writeFileSync(join(site, name), text);
      await giveFolder(page, site);
      await waitForText(page, '2 embeds of 1 item from 1 host in 3 files');
      await press(page, 'button', 'Left as it is 1');
      await waitForText(page, 'This code stands in a script');
      await press(page, 'button', 'All embeds 2');
      await press(page, 'checkbox', TITLES);
      await waitForText(page, 'Save the changed files (2 embeds)');
      const patch = await savedBy(page, () => press(page, 'button', 'Save the patch'));
      const back = await savedBy(page, () => press(page, 'button', 'Save the way back'));
      const copy = join(folder, 'copy');
      cpSync(site, copy, { recursive: true });
      execFileSync('git', ['apply', '--whitespace=nowarn', patch.path], { cwd: copy });
      const titled = (heading: string): string => code.replace('height="315"', `height="315" title="${heading}"`);
      expect(readFileSync(join(copy, 'index.html'), 'utf8')).toBe(files['index.html'].replace(code, titled('High water')));
      expect(readFileSync(join(copy, 'note.md'), 'utf8')).toBe(files['note.md'].replace(code, titled('Low water')));
      execFileSync('git', ['apply', '--whitespace=nowarn', back.path], { cwd: copy });
      for (const [name, text] of Object.entries(files)) expect(readFileSync(join(copy, name), 'utf8')).toBe(text);
      forget(patch);
      forget(back);
    }));

  test('as a folder that is written: a tab closed in the middle leaves each file old or new, and all of it is taken back', async () => {
    const { context, page } = await newVisitor(world.browser);
    await goTo(page, `${world.server.address}/sweep`);
    const { port } = world.server;
    const before = await page.evaluate(fillFolder, FILES, port);
    await page.evaluate(chooseOwnFolder);
    await press(page, 'button', 'Open a folder');
    await waitForText(page, `${FILES} embeds of 1 item`);
    await press(page, 'checkbox', TITLES);
    await waitForText(page, `Write into the folder (${FILES} embeds)`);
    await press(page, 'button', `Write into the folder (${FILES} embeds)`);
    // In the moment in which a file is replaced, it cannot be read.
    const readMeanwhile = (): Promise<string[]> => page.evaluate(readFolder).catch(() => []);
    await waitFor('some files to be written', async () => (await readMeanwhile()).some((text) => text.includes('title=')));
    await page.close();

    const later = await context.newPage();
    await goTo(later, `${world.server.address}/sweep`);
    const found = await later.evaluate(readFolder);
    const after = before.map((text, i) => text.replace('height="315"', `height="315" title="Page ${i}"`));
    found.forEach((text, i) => expect([before[i], after[i]]).toContain(text));
    await waitForText(later, `Last written: ${FILES} files`);
    await press(later, 'button', 'Take it back');
    await waitForNoText(later, 'Last written');
    expect(await later.evaluate(readFolder)).toEqual(before);

    await later.evaluate(chooseOwnFolder);
    await press(later, 'button', 'Open a folder');
    await waitForText(later, `${FILES} embeds of 1 item`);
    await press(later, 'checkbox', TITLES);
    await press(later, 'button', `Write into the folder (${FILES} embeds)`);
    await waitForText(later, `${FILES} files written.`);
    expect(await later.evaluate(readFolder)).toEqual(after);
    await waitForNoText(later, 'The frame has no title');
    await context.close();
  });

  test('by its address: 240 pages and more, its traps told, one embed opened on the Bench, and a report saved', () =>
    visit(async (page) => {
      const field = await find(page, 'textbox', 'Address of a site');
      await field.type(world.host('tidemill'));
      await press(page, 'button', 'Read the site');
      await waitForText(page, 'Every page that the site names was read.', 120_000);
      await waitForText(page, '180 embeds');
      await waitForText(page, '1 that robots.txt forbids');
      const saved = await savedBy(page, () => press(page, 'button', 'As JSON'));
      const { format, embeds } = JSON.parse(strFromU8(saved.bytes)) as { format: string; embeds: { file: string }[] };
      expect(format).toBe('refenestra-sweep/1');
      expect(embeds).toHaveLength(180);
      forget(saved);
      const row = await waitFor('a place', () => page.$('.sweep-place'));
      await row.click();
      await press(page, 'button', 'Open on the Bench');
      await find(page, 'textbox', 'Share link or embed code');
      await press(page, 'link', 'Sweep');
      await waitForText(page, '180 embeds');
    }));
});
