import { execFileSync } from 'node:child_process';
import { cpSync, mkdtempSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { strFromU8, unzipSync } from 'fflate';
import type { ElementHandle, Page } from 'puppeteer-core';
import { request } from 'undici';
import { afterAll, describe, expect, test } from 'vitest';
import { findings } from './axe.ts';
import { bringIn, choose, openBench, openToken } from './bench.ts';
import { find, goTo, newVisitor, press, waitFor, waitForNoText, waitForText } from './driver.ts';
import { launchBrowser } from './browser.ts';
import { forget, giveFile, savedBy } from './files.ts';
import { useServerAndBrowser, visitor } from './world.ts';

const world = useServerAndBrowser(launchBrowser);
const folder = mkdtempSync(join(tmpdir(), 'sweep-flow-'));
afterAll(() => rmSync(folder, { recursive: true }));

const visit = (work: (page: Page) => Promise<void>): Promise<void> => visitor(world)('/sweep', ['button', 'Read the site'], work);

/** What the sample site gives at a path; its name is known to browsers alone. */
async function tidemill(path: string): Promise<Uint8Array> {
  const { port } = world.server;
  const { body } = await request(`http://127.0.0.1:${port}${path}`, { headers: { host: `tidemill.localhost:${port}` } });
  return new Uint8Array(await body.arrayBuffer());
}
/** The files of a zip that the sample site gives away. */
const exported = async (name: string): Promise<[string, string][]> =>
  Object.entries(unzipSync(await tidemill(`/export/${name}`))).map(([path, bytes]) => [path, strFromU8(bytes)]);

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

/** Files of a site in a folder that the browser keeps for this page, by their number; each of so many bytes and some more. */
async function fillFolder(count: number, port: number, size = 0): Promise<string[]> {
  const folder = await navigator.storage.getDirectory();
  const prose = '<p>The pond fills twice a day.</p>\n'.repeat(size / 35);
  const texts = Array.from(
    { length: count },
    (_, i) =>
      `<!doctype html><h2>Page ${i}</h2>\r\n<iframe src="http://frames.lanternreel.localhost:${port}/f/k7wq2m9d" width="560" height="315"></iframe>\n${prose}<p>é &amp; more</p>`,
  );
  for (const [i, text] of texts.entries()) {
    const handle = await folder.getFileHandle(`page-${String(i).padStart(3, '0')}.html`, { create: true });
    const stream = await handle.createWritable();
    await stream.write(text);
    await stream.close();
  }
  return texts;
}

/** Empties the first files that a sweep has kept, and gives how many. */
async function emptyKnown(): Promise<number> {
  const store = await new Promise<IDBDatabase>((done) => {
    const opening = indexedDB.open('refenestra');
    opening.onsuccess = () => done(opening.result);
  });
  const [first] = await new Promise<{ files: { file: string }[] }[]>((done) => {
    const reading = store.transaction('looked').objectStore('looked').getAll(null, 1);
    reading.onsuccess = () => done(reading.result as { files: { file: string }[] }[]);
  });
  store.close();
  const folder = await navigator.storage.getDirectory();
  for (const { file } of first!.files) {
    const stream = await (await folder.getFileHandle(file)).createWritable();
    await stream.write('<p>Nothing here any more</p>');
    await stream.close();
  }
  return first!.files.length;
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

/** Puts files into a folder that the browser keeps for this page, and takes it for whoever is asked for one. */
async function fillSite(files: readonly (readonly [string, string])[]): Promise<void> {
  const root = await (await navigator.storage.getDirectory()).getDirectoryHandle('tide-mill', { create: true });
  for (const [path, text] of files) {
    const parts = path.split('/');
    let at = root;
    for (const part of parts.slice(0, -1)) at = await at.getDirectoryHandle(part, { create: true });
    const stream = await (await at.getFileHandle(parts.at(-1)!, { create: true })).createWritable();
    await stream.write(text);
    await stream.close();
  }
  Object.assign(window, { showDirectoryPicker: () => root });
}

/** What stands in that folder now, by path. */
async function readSite(paths: readonly string[]): Promise<[string, string][]> {
  const root = await (await navigator.storage.getDirectory()).getDirectoryHandle('tide-mill');
  const found: [string, string][] = [];
  for (const path of paths) {
    const [folder, name] = path.split('/') as [string, string];
    const handle = await (await root.getDirectoryHandle(folder)).getFileHandle(name);
    found.push([path, await (await handle.getFile()).text()]);
  }
  return found;
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

  test('goes on where it was after the tab was closed in the middle of it', async () => {
    const { context, page } = await newVisitor(world.browser);
    await goTo(page, `${world.server.address}/sweep`);
    await page.evaluate(fillFolder, FILES, world.server.port, 400_000);
    await page.evaluate(chooseOwnFolder);
    await press(page, 'button', 'Open a folder');
    const done = () => page.evaluate(() => Number(/(\d+) of 200 files/.exec(document.body.innerText)?.[1] ?? 0));
    await waitFor('some files to be looked into', async () => (await done()) >= 96);
    await press(page, 'button', 'Pause');
    await find(page, 'button', 'Go on');
    await page.close();

    const later = await context.newPage();
    await goTo(later, `${world.server.address}/sweep`);
    await waitForText(later, 'Broken off');
    const told = await later.evaluate(() => /(\d+) of 200 files looked into/.exec(document.body.innerText)![1]);
    const known = Number(told);
    expect(known).toBeGreaterThan(0);
    expect(known).toBeLessThan(FILES);
    // Files that have changed since are looked into anew.
    const emptied = await later.evaluate(emptyKnown);
    await press(later, 'button', 'Go on');
    await waitForText(later, `${FILES - emptied} embeds of 1 item`);
    if (known - emptied > 1)
      await waitForText(later, `${known - emptied} files were looked into before the sweep was broken off.`);
    await press(later, 'button', 'New sweep');
    await find(later, 'button', 'Read the site');
    await waitForNoText(later, 'Broken off');
    await context.close();
  });

  test('of 240 pages, put right in one go, proved, swept again, and taken back', async () => {
    const { context, page } = await newVisitor(world.browser);
    const pages = await exported('pages.zip');
    // A house style: no videos of others at the end.
    await openBench(page, world.server.address);
    await bringIn(page, `${world.host('lanternreel')}/see/f3rryday`);
    await choose(page, 'suggests anything', 'Suggestions at the end', 'Same channel');
    await openToken(page, 'suggests its own channel', 'Suggestions at the end');
    await press(page, 'button', 'Take it into the house style');
    await waitForText(page, 'House style of Quillmarsh Tide Mill');
    await press(page, 'button', 'Done');

    await press(page, 'link', 'Sweep');
    await page.evaluate(fillSite, pages);
    await press(page, 'button', 'Open a folder');
    await waitForText(page, '180 embeds of 21 items');
    await press(page, 'button', 'Ask the hosts what is gone');
    await waitForText(page, 'Ask the hosts again', 60_000);
    await waitForText(page, 'There is nothing at this address any more');
    const asked = JSON.parse(strFromU8(await tidemill('/asked'))) as { paths: string[] };
    expect(asked.paths.filter((path) => path.startsWith('/news/'))).toEqual([]);

    await press(page, 'checkbox', 'Follow the house style of Quillmarsh Tide Mill');
    for (const rule of [TITLES, COVERS, 'Turn what is gone into a link']) await press(page, 'checkbox', rule);
    await press(page, 'button', 'Write into the folder (180 embeds)');
    await waitForText(page, '180 files written.', 60_000);
    await waitForNoText(page, 'The frame has no title');
    await waitForNoText(page, 'There is nothing at this address any more');
    await waitForText(page, 'Put right');
    const after = new Map(
      await page.evaluate(
        readSite,
        pages.map(([path]) => path),
      ),
    );
    const before = new Map(pages);
    for (const [path, text] of before) {
      const now = after.get(path)!;
      const [was] = /<iframe[^]*<\/iframe>/.exec(text) ?? [''];
      // Nothing but the embed has changed.
      expect(now.startsWith(text.slice(0, text.indexOf(was))), path).toBe(true);
      expect(now.endsWith(text.slice(text.indexOf(was) + was.length)), path).toBe(true);
      if (was.includes('takenoff')) expect(now).toContain('<a href="');
      else if (was.includes('lanternreel') && !was.includes('sluice-camera')) expect(now, path).toContain('after=own');
      if (was !== '') expect(now, path).not.toMatch(/<iframe(?![^>]*srcdoc)/);
    }

    // Somebody puts an old page back: the next visit, from the list of what was swept before, says so.
    await page.evaluate(fillSite, pages.slice(0, 3));
    await press(page, 'button', 'New sweep');
    await waitForText(page, 'Swept before');
    await press(page, 'button', 'Open again');
    await press(page, 'button', 'Came back 3');
    await waitForText(page, 'news/1.html:8');
    await page.select('.sweep-by select', 'finding');
    await find(page, 'button', 'The frame has no title 3');

    // What stands there comes onto the Shelf, with its pages.
    await press(page, 'button', 'Take in what is not on it (20)');
    await waitForText(page, '20 embeds added');
    await find(page, 'button', 'Take in what is not on it (0)');
    await press(page, 'button', 'Take it back');
    await waitForNoText(page, 'Last written');
    expect(
      await page.evaluate(
        readSite,
        pages.map(([path]) => path),
      ),
    ).toEqual(pages);
    await press(page, 'link', 'Shelf');
    await waitForText(page, '21 embeds');
    await context.close();
  });

  test.each([
    ['notes.zip', 'Markdown'],
    ['site.xml', 'one XML file'],
  ])('as %s, which is %s: titles put in, and the changed files swept again', async (name) =>
    visit(async (page) => {
      const path = join(folder, name);
      writeFileSync(path, await tidemill(`/export/${name}`));
      await giveFile(page, 'Open a zip or files', path);
      await waitForText(page, '180 embeds of 21 items');
      await press(page, 'checkbox', TITLES);
      const saved = await savedBy(page, () => press(page, 'button', 'Save the changed files (180 embeds)'));
      await press(page, 'button', 'New sweep');
      await giveFile(page, 'Open a zip or files', saved.path);
      await waitForText(page, '180 embeds of 21 items');
      await waitForNoText(page, 'The frame has no title');
      forget(saved);
    }),
  );

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
