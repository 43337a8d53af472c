import { nanoid } from '@reduxjs/toolkit';
import type { AgainstShelf } from '../../core/many/sweep/shelf.ts';
import { decodeFile } from '../../core/many/sweep/encoding.ts';
import { AS_IT_STANDS } from '../../core/model/code.ts';
import { emptyWork } from '../../core/keeping/shelf/work.ts';
import { bytesOf, type SiteFile } from '../../workers/siteFile.ts';
import { changeEmbeds, replaceWorks } from '../storage/embeds.ts';
import { remakeIn } from './remake.ts';
import type { Store } from './store.ts';

/** Notes for embeds of the Shelf in which pages they were found. */
export async function notePlaces(placed: AgainstShelf['placed'], now: number): Promise<void> {
  const pages = new Map(placed.map((one) => [one.id, one.pages]));
  await changeEmbeds(
    [...pages.keys()],
    (embed) => ({
      placed: [...embed.placed, ...pages.get(embed.id)!.map((address) => ({ address, since: now }))],
      stage: 'placed',
    }),
    now,
  );
}

/** Puts embeds of a site onto the Shelf, each as its code stands in the file, with the pages in which it was found. */
export async function takeIn(
  store: Store,
  { unshelved, files, site }: { unshelved: AgainstShelf['unshelved']; files: readonly SiteFile[]; site: string },
  now: number,
): Promise<void> {
  const byName = new Map(files.map((one) => [one.name, one]));
  const taken = [];
  for (const { file, range, pages } of unshelved) {
    const [bytes] = await bytesOf([byName.get(file)!]);
    const text = decodeFile(bytes!).text.slice(...range);
    const work = { ...emptyWork(site, nanoid(10)), text, code: text, form: AS_IT_STANDS, style: {} } as const;
    taken.push({ made: remakeIn(store.getState(), { facts: {} }, work), pages });
  }
  await replaceWorks(
    taken.map(({ made }) => made),
    now,
  );
  await notePlaces(
    taken.flatMap(({ made, pages }) => (pages.length > 0 ? [{ id: made.id, pages }] : [])),
    now,
  );
}
