import { aboutOf } from '../../core/model/item.ts';
import type { SavedEmbed } from '../../core/keeping/shelf/saved.ts';
import { emptyWork } from '../../core/keeping/shelf/work.ts';
import { bringIn } from '../../core/pipeline.ts';
import { replaceWorks } from '../storage/embeds.ts';
import { keepThumbnail } from './thumbnails.ts';
import { remakeIn } from './remake.ts';
import { selectBook, selectSites } from './selectors.ts';
import type { Store } from './store.ts';
import { factsAbout, selectGiven } from './answers.ts';
import { server } from './server.ts';

const EXAMPLE_TAG = 'example';
const ID = 'example-';

/** Whether it is an example as it was put there: a tag of the same name on what somebody made is nothing but a tag. */
export const isExample = ({ id, tags, revision }: SavedEmbed): boolean =>
  id.startsWith(ID) && tags.includes(EXAMPLE_TAG) && revision === 1;

const MOST = 6;

/** Puts an embed of each of the first few hosts onto the Shelf, with what the hosts say of them; made again, they are the same. */
export async function putExamples(store: Store, now: number): Promise<void> {
  const before = store.getState();
  const [site] = selectSites(before);
  const book = selectBook(before);
  if (!site) return;
  const found = selectGiven(before)
    .cards.slice(0, MOST)
    .flatMap(({ id, links }) => {
      const link = links.find(({ framed, refused }) => !framed && !refused)?.examples[0];
      const item = link === undefined ? undefined : bringIn(link, book)[0]?.item;
      return link !== undefined && item ? [{ id: `${ID}${id}`, link, about: aboutOf(item) }] : [];
    });
  await Promise.all(
    found.map(({ link, about }) =>
      store.dispatch(server.endpoints.said.initiate({ link, about, width: site.column }, { subscribe: false })),
    ),
  );
  const state = store.getState();
  const made = found.map(({ id, link, about }) => ({
    ...remakeIn(state, { facts: factsAbout(state, about) }, { ...emptyWork(site.id, id), text: link, style: {} }),
    tags: [EXAMPLE_TAG],
  }));
  await replaceWorks(made, now);
  for (const { id, about } of found) {
    const { cover } = factsAbout(state, about);
    if (cover) await keepThumbnail(id, cover).catch(() => undefined);
  }
}
