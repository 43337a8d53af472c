import { liveQuery } from 'dexie';
import { savedSchema, type Picture, type SavedEmbed } from '../../core/keeping/shelf/saved.ts';
import { afterPaint } from '../afterPaint.ts';
import { pause } from '../pause.ts';
import { database } from './database.ts';
import { findPictures } from './embeds.ts';

/** What is kept, as far as it has been read. */
export interface Stock {
  /** The last changed first; until everything has been read, only the first of them. */
  embeds: SavedEmbed[];
  /** Rows that cannot be read, as they are. */
  unreadable: unknown[];
  /** How many rows there are, with those that have not been read yet. */
  all: number;
  whole: boolean;
}

/** More than a screen shows; and as many at once as leave the screen free. */
const FIRST = 60;
const PIECE = 100;

/**
 * Shows the embeds that were changed last, then all of them, and again whenever one of them changes, in this window or
 * another. They are read and checked in pieces, and later only what is new, so that the screen stays free, and a shelf of
 * many thousands follows each change at once. Gives what ends it.
 */
export function watchEmbeds(
  show: (stock: Stock) => void,
  failed: (error: unknown) => void,
  prepare: (embed: SavedEmbed) => void = () => undefined,
): () => void {
  const good = new Map<string, SavedEmbed>();
  const bad = new Map<string, unknown>();
  let ended = false;
  let latest = 0;
  const take = (id: string, row: unknown): void => {
    const embed = savedSchema.safeParse(row).data;
    good.delete(id);
    bad.delete(id);
    if (embed) {
      good.set(id, embed);
      prepare(embed);
    } else bad.set(id, row);
    latest = Math.max(latest, embed?.changed ?? 0);
  };
  const knows = (id: string): boolean => good.has(id) || bad.has(id);
  const tell = (all: number, whole: boolean): void => {
    const embeds = [...good.values()].sort((a, b) => b.changed - a.changed);
    if (!ended) show({ embeds, unreadable: [...bad.values()], all, whole });
  };

  const readAll = async (): Promise<void> => {
    const [first, count] = await Promise.all([
      database.embeds.orderBy('changed').reverse().limit(FIRST).toArray(),
      database.embeds.count(),
    ]);
    for (const row of first) take(row.id, row);
    tell(count, first.length === count);
    if (first.length === count) return;
    await new Promise<void>(afterPaint);
    const ids = await database.embeds.toCollection().primaryKeys();
    const rest = ids.filter((id) => !knows(id));
    await readPieces(rest, take);
    tell(ids.length, true);
  };
  const changes = liveQuery(async () => {
    const [ids, changed] = await Promise.all([
      database.embeds.toCollection().primaryKeys(),
      database.embeds.where('changed').aboveOrEqual(latest).primaryKeys(),
    ]);
    return { ids, changed };
  });
  const follow = async ({ ids, changed }: { ids: string[]; changed: string[] }): Promise<void> => {
    const there = new Set(ids);
    const gone = [...good.keys(), ...bad.keys()].filter((id) => !there.has(id));
    const missing = ids.filter((id) => !knows(id));
    if (missing.length > PIECE) await pause();
    let differing = 0;
    await readPieces([...missing, ...changed.filter(knows)], (id, row) => {
      const before = JSON.stringify(good.get(id));
      take(id, row);
      if (before !== JSON.stringify(good.get(id))) differing++;
    });
    if (missing.length + gone.length + differing === 0) return;
    for (const id of gone) {
      good.delete(id);
      bad.delete(id);
    }
    tell(ids.length, true);
  };
  const readPieces = async (ids: readonly string[], each: (id: string, row: unknown) => void): Promise<void> => {
    for (let at = 0; at < ids.length && !ended; at += PIECE) {
      const piece = ids.slice(at, at + PIECE);
      (await database.embeds.bulkGet(piece)).forEach((row, i) => row && each(piece[i]!, row));
      if (ids.length > PIECE) await pause();
    }
  };
  let following: { unsubscribe: () => void } | undefined;
  readAll()
    .then(() => {
      if (!ended) following = changes.subscribe({ next: (found) => void follow(found).catch(failed), error: failed });
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
