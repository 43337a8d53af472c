import { liveQuery } from 'dexie';
import { savedSchema, type Picture, type SavedEmbed } from '../../core/keeping/shelf/saved.ts';
import { database } from './database.ts';
import { findEmbeds, findPictures, listEmbeds } from './embeds.ts';

/**
 * Shows all embeds, and again whenever one of them changes, in this window or another. Only what is new is read then,
 * so that a shelf of many thousands follows each change at once. Gives what ends it.
 */
export function watchEmbeds(show: (embeds: SavedEmbed[]) => void, failed: (error: unknown) => void): () => void {
  const known = new Map<string, SavedEmbed>();
  let ended = false;
  let latest = 0;
  const add = (embeds: readonly SavedEmbed[]): void => {
    for (const embed of embeds) {
      known.set(embed.id, embed);
      latest = Math.max(latest, embed.changed);
    }
  };
  const tell = (): void => show([...known.values()].sort((a, b) => b.changed - a.changed));

  const changes = liveQuery(async () => {
    const [ids, changed] = await Promise.all([
      database.embeds.toCollection().primaryKeys(),
      database.embeds.where('changed').aboveOrEqual(latest).toArray(),
    ]);
    return { ids, changed };
  });
  let following: { unsubscribe: () => void } | undefined;
  const follow = async ({ ids, changed }: { ids: string[]; changed: SavedEmbed[] }): Promise<void> => {
    const fresh = changed.flatMap((row) => savedSchema.safeParse(row).data ?? []);
    const missing = ids.filter((id) => !known.has(id));
    const there = new Set(ids);
    const gone = [...known.keys()].filter((id) => !there.has(id));
    const differing = fresh.filter((embed) => JSON.stringify(known.get(embed.id)) !== JSON.stringify(embed));
    if (missing.length + gone.length + differing.length === 0) return;
    add(await findEmbeds(missing));
    add(fresh);
    gone.forEach((id) => known.delete(id));
    if (!ended) tell();
  };
  listEmbeds()
    .then((all) => {
      if (ended) return;
      add(all);
      tell();
      following = changes.subscribe({ next: (found) => void follow(found), error: failed });
    })
    .catch(failed);
  return () => {
    ended = true;
    following?.unsubscribe();
  };
}

/** Shows the small pictures of some embeds, and again when one of them is kept later. Gives what ends it. */
export function watchPictures(ids: readonly string[], show: (pictures: Picture[]) => void): () => void {
  // Without a store there are none, which is told elsewhere.
  const following = liveQuery(() => findPictures(ids)).subscribe({ next: show, error: () => undefined });
  return () => following.unsubscribe();
}
