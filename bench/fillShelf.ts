import type { Page } from 'puppeteer-core';
import { demoLinks } from '../e2e/world.ts';

/** Puts so many embeds of the demo onto the Shelf of a visitor, whose store is there already. */
export async function fillShelf(page: Page, count: number, port: number): Promise<void> {
  await page.evaluate(
    async (many, links) => {
      const sites = ['mill', 'bakehouse', 'ferry'];
      const words = 'tide sluice wheel stone flour ferry oven pond ebb flood rope bell barley crust harbour'.split(' ');
      const store = await new Promise<IDBDatabase>((done) => {
        const opening = indexedDB.open('refenestra');
        opening.onsuccess = () => done(opening.result);
      });
      const writing = store.transaction(['embeds'], 'readwrite');
      for (let i = 0; i < many; i++) {
        const id = `many-${i}`;
        const site = sites[i % 3]!;
        const title = `${words[i % 15]} and ${words[(i * 7) % 15]} ${i}`;
        const text = links[i % links.length]!;
        const work = {
          id,
          text,
          code: null,
          choice: 0,
          changes: { autoplay: 'on', mute: 'on' },
          form: 'responsive',
          site,
          style: {},
          out: null,
          pageOut: null,
        };
        const code = `<iframe src="${text}" title="${title}" style="display:block;border:0;width:100%;aspect-ratio:16/9;height:auto"></iframe>`;
        writing.objectStore('embeds').put({
          id,
          work,
          title,
          host: 'lanternreel',
          kind: 'video',
          made: i,
          changed: i,
          item: text,
          code,
          facts: { title, author: 'Quillmarsh Tide Mill' },
          stage: 'draft',
          look: [],
          tags: [words[i % 11]],
          placed: [],
          revision: 1,
        });
      }
      await new Promise((done) => (writing.oncomplete = done));
      store.close();
    },
    count,
    demoLinks(port),
  );
}
