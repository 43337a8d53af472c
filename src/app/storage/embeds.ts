import { nanoid } from '@reduxjs/toolkit';
import { proofSchema, type Proof } from '../../core/proof/playThrough/proof.ts';
import {
  joinedTags,
  publishedCodeSchema,
  pictureSchema,
  savedSchema,
  versionSchema,
  type PublishedCode,
  type Picture,
  type SavedEmbed,
  type Version,
} from '../../core/keeping/shelf/saved.ts';
import type { Made } from '../../core/keeping/shelf/record.ts';
import type { Work } from '../../core/keeping/shelf/work.ts';
import { announce } from './announce.ts';
import { database } from './database.ts';
import { t } from '../../messages/t.ts';

/** An embed with all that belongs to it. */
export interface Whole {
  embed: SavedEmbed;
  versions: Version[];
  picture?: Picture | undefined;
  proof?: Proof | undefined;
  back?: PublishedCode | undefined;
}

const { embeds, versions, pictures, proofs, backs } = database;
const ATTACHED = [embeds, versions, pictures, proofs, backs];

/**
 * Keeps what was made on the Bench. `base` is the revision that it was made from; when another window has written
 * since, nothing is written and null comes back. Otherwise the new revision.
 */
export async function saveEmbed(made: Made, base: number, now: number): Promise<number | null> {
  return database.transaction('rw', embeds, async () => {
    const before = await findEmbed(made.id);
    if (before && before.revision !== base) return null;
    const revision = (before?.revision ?? 0) + 1;
    await embeds.put(savedSchema.parse({ ...before, ...made, made: before?.made ?? now, changed: now, revision }));
    return revision;
  });
}

/** The embed under this id, or undefined; what is kept is checked like any other input. */
export async function findEmbed(id: string): Promise<SavedEmbed | undefined> {
  return savedSchema.safeParse(await embeds.get(id)).data;
}

export async function latestEmbed(): Promise<SavedEmbed | undefined> {
  // The last one may be one that cannot be read: then the last good one.
  for (const id of await embeds.orderBy('changed').reverse().primaryKeys()) {
    const found = await findEmbed(id);
    if (found) return found;
  }
  return undefined;
}

/** Those that were changed last, the very last first; `most` of them at most. */
export async function lastChanged(most: number): Promise<SavedEmbed[]> {
  const rows = await embeds.orderBy('changed').reverse().limit(most).toArray();
  return rows.flatMap((row) => savedSchema.safeParse(row).data ?? []);
}

/** Takes what cannot be read off, for good. */
export async function removeUnreadable(): Promise<void> {
  await database.transaction('rw', embeds, async () => {
    const ids = await embeds.toCollection().primaryKeys();
    const rows = await embeds.bulkGet(ids);
    await embeds.bulkDelete(ids.filter((_, i) => !savedSchema.safeParse(rows[i]).success));
  });
}

export async function findEmbeds(ids: readonly string[]): Promise<SavedEmbed[]> {
  const rows = await embeds.bulkGet([...ids]);
  return rows.flatMap((row) => savedSchema.safeParse(row).data ?? []);
}

/** All embeds, in no order. */
export async function listEmbeds(): Promise<SavedEmbed[]> {
  const rows = await embeds.toArray();
  return rows.flatMap((row) => savedSchema.safeParse(row).data ?? []);
}

/** What is known of an embed besides its work: tags, placements, how far it has come. */
export type EmbedNotes = Partial<Pick<SavedEmbed, 'tags' | 'placed' | 'stage' | 'facts'>>;

/** Changes what is kept of some embeds; rejected, and none is changed, where it would be more than can be kept. */
export async function changeEmbeds(
  ids: readonly string[],
  change: (embed: SavedEmbed) => EmbedNotes,
  now: number,
): Promise<void> {
  await database.transaction('rw', embeds, async () => {
    const found = await findEmbeds(ids);
    await embeds.bulkPut(found.map((embed) => savedSchema.parse({ ...embed, ...change(embed), changed: now })));
  });
}

/**
 * Puts works in, in the place of those that are kept, all of them or none; each is a new revision, and is told to
 * whoever shows it. Tags are added to those there are.
 */
export async function replaceWorks(made: readonly (Made & { tags?: readonly string[] })[], now: number): Promise<void> {
  const written = await database.transaction('rw', embeds, async () => {
    const before = new Map((await findEmbeds(made.map(({ id }) => id))).map((embed) => [embed.id, embed]));
    const rows = made.map((one) => {
      const was = before.get(one.id);
      const tags = joinedTags(was?.tags ?? [], one.tags ?? []);
      const times = { made: was?.made ?? now, changed: now, revision: (was?.revision ?? 0) + 1 };
      return savedSchema.parse({ ...was, ...one, tags, ...times });
    });
    await embeds.bulkPut(rows);
    return rows.map(({ id, revision }) => ({ id, revision }));
  });
  announce(written);
}

/** The embeds with all that belongs to them. */
export async function wholesOf(ids: readonly string[]): Promise<Whole[]> {
  return database.transaction('r', ATTACHED, async () => {
    const wanted = [...ids];
    const kept = await versions.where('embed').anyOf(wanted).toArray();
    const [thumbnails, seen, returned] = await Promise.all([
      pictures.bulkGet(wanted),
      proofs.bulkGet(wanted),
      backs.bulkGet(wanted),
    ]);
    const places = new Map(wanted.map((id, i) => [id, i]));
    const byEmbed = new Map(wanted.map((id): [string, Version[]] => [id, []]));
    for (const row of kept.flatMap((one) => versionSchema.safeParse(one).data ?? [])) byEmbed.get(row.embed)!.push(row);
    return (await findEmbeds(wanted)).map((embed): Whole => {
      const at = places.get(embed.id)!;
      return {
        embed,
        versions: byEmbed.get(embed.id) ?? [],
        picture: pictureSchema.safeParse(thumbnails[at]).data,
        proof: proofSchema.safeParse(seen[at]).data,
        back: publishedCodeSchema.safeParse(returned[at]).data,
      };
    });
  });
}

/** Takes embeds off, with all that belongs to them, and gives it back so that it can be put back. */
export async function removeEmbeds(ids: readonly string[]): Promise<Whole[]> {
  const wanted = [...ids];
  return database.transaction('rw', ATTACHED, async () => {
    const removed = await wholesOf(wanted);
    await Promise.all([
      embeds.bulkDelete(wanted),
      versions.where('embed').anyOf(wanted).delete(),
      pictures.bulkDelete(wanted),
      proofs.bulkDelete(wanted),
      backs.bulkDelete(wanted),
    ]);
    return removed;
  });
}

const present = <Part>(part: Part | undefined): Part[] => (part === undefined ? [] : [part]);

/** Puts embeds in with all that belongs to them: all, or none. */
export async function putWholes(wholes: readonly Whole[]): Promise<void> {
  await database.transaction('rw', ATTACHED, async () => {
    await embeds.bulkPut(wholes.map(({ embed }) => embed));
    await versions.bulkPut(wholes.flatMap((whole) => whole.versions));
    await pictures.bulkPut(wholes.flatMap(({ picture }) => present(picture)));
    await proofs.bulkPut(wholes.flatMap(({ proof }) => present(proof)));
    await backs.bulkPut(wholes.flatMap(({ back }) => present(back)));
  });
}

/** A copy of an embed under an id of its own, as if it had just been made. */
export async function duplicateEmbed(id: string, now: number): Promise<string | null> {
  const [whole] = await wholesOf([id]);
  if (!whole) return null;
  const copy = nanoid(10);
  const { embed, picture } = whole;
  const made: SavedEmbed = { ...embed, id: copy, work: { ...embed.work, id: copy }, made: now, changed: now };
  await putWholes([
    {
      embed: { ...made, title: t('{title} (copy)', { title: embed.title }), stage: 'draft', placed: [], revision: 1 },
      versions: [],
      ...(picture && { picture: { ...picture, id: copy } }),
    },
  ]);
  return copy;
}

/** Keeps a code that was taken away; the same code taken twice is one version. */
export async function addVersion(embed: string, { code, work }: { code: string; work: Work }, now: number): Promise<void> {
  await database.transaction('rw', versions, embeds, async () => {
    const before = await listVersions(embed);
    if (before[0]?.code !== code) await versions.put({ id: nanoid(12), embed, taken: now, code, work });
    const saved = await findEmbed(embed);
    if (saved?.stage === 'draft') await embeds.put({ ...saved, stage: 'ready', changed: now });
  });
}

/** The codes that were taken of an embed, the last first. */
export async function listVersions(embed: string): Promise<Version[]> {
  const rows = await versions.where('embed').equals(embed).sortBy('taken');
  return rows.reverse().flatMap((row) => versionSchema.safeParse(row).data ?? []);
}

export async function savePicture(picture: Picture): Promise<void> {
  await pictures.put(picture);
}

export async function findPictures(ids: readonly string[]): Promise<Picture[]> {
  const rows = await pictures.bulkGet([...ids]);
  return rows.flatMap((row) => pictureSchema.safeParse(row).data ?? []);
}

/** The play-through that is kept with an embed; a later one takes the place of the one before. */
export async function findProof(id: string): Promise<Proof | undefined> {
  return proofSchema.safeParse(await proofs.get(id)).data;
}

export async function saveProof(proof: Proof): Promise<void> {
  await proofs.put(proof);
}

/** What the site made of an embed, as its published code was checked last. */
export async function findPublishedCode(id: string): Promise<PublishedCode | undefined> {
  return publishedCodeSchema.safeParse(await backs.get(id)).data;
}

export async function savePublishedCode(back: PublishedCode): Promise<void> {
  await backs.put(back);
}
