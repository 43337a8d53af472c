import { mkdtempSync, readdirSync, readFileSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import type { ElementHandle, Page } from 'puppeteer-core';
import { reload } from './driver.ts';

/** Files that the browser saves, and files that are given to it. */
export interface Saved {
  name: string;
  path: string;
  bytes: Buffer;
}

/** Does something that saves a file, and gives the file. */
export async function savedBy(page: Page, act: () => Promise<void>): Promise<Saved> {
  const folder = mkdtempSync(join(tmpdir(), 'saved-'));
  const session = await page.createCDPSession();
  await session.send('Browser.setDownloadBehavior', {
    behavior: 'allow',
    downloadPath: folder,
    browserContextId: page.browserContext().id!,
    eventsEnabled: true,
  });
  const done = new Promise<void>((resolve) => {
    session.on('Browser.downloadProgress', ({ state }) => state === 'completed' && resolve());
  });
  await act();
  await done;
  await session.detach();
  const [name] = readdirSync(folder);
  return { name: name!, path: join(folder, name!), bytes: readFileSync(join(folder, name!)) };
}

export const forget = ({ path }: Saved): void => rmSync(join(path, '..'), { recursive: true });

/** Gives a file to the file field behind the button with these words. */
export async function giveFile(page: Page, words: string, path: string): Promise<void> {
  const field = await page.waitForSelector(`::-p-xpath(//label[contains(normalize-space(.), "${words}")]//input[@type="file"])`);
  await (field as ElementHandle<HTMLInputElement>).uploadFile(path);
}

/** Everything that the browser's store holds, table by table. */
export const dumpStore = (page: Page): Promise<Record<string, unknown[]>> =>
  page.evaluate(
    () =>
      new Promise<Record<string, unknown[]>>((done, fail) => {
        const opening = indexedDB.open('refenestra');
        opening.onerror = () => fail(new Error('the store does not open'));
        opening.onsuccess = () => {
          const store = opening.result;
          const names = [...store.objectStoreNames];
          const reading = store.transaction(names);
          const tables: Record<string, unknown[]> = {};
          for (const name of names)
            reading.objectStore(name).getAll().onsuccess = ({ target }) => {
              tables[name] = (target as IDBRequest<unknown[]>).result;
            };
          reading.oncomplete = () => (store.close(), done(tables));
        };
      }),
  );

/** Takes the browser's store away, as somebody does who clears the data of a site, and loads the page anew. */
export async function wipeStore(page: Page): Promise<void> {
  const devtools = await page.createCDPSession();
  const { origin } = new URL(page.url());
  await devtools.send('Storage.clearDataForOrigin', { origin, storageTypes: 'indexeddb' });
  await devtools.detach();
  await reload(page);
}
