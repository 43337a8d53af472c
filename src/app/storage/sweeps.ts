import { z } from 'zod';
import { asKept, keptSweepSchema, type KeptSweep } from '../../core/many/sweep/again.ts';
import type { Change } from '../../core/many/sweep/found.ts';
import { changeSchema } from '../../core/many/sweep/looked.ts';
import { database } from './database.ts';

/** What was last written into a folder: kept before the first file is, so that it can be taken back whatever happens. */
export interface WrittenSweep {
  folder: FileSystemDirectoryHandle;
  files: readonly { name: string; changes: readonly Change[] }[];
}

const filesSchema = z.array(z.object({ name: z.string(), changes: z.array(changeSchema) }));

const LAST = 'last';

export async function keepWritten({ folder, files }: WrittenSweep): Promise<void> {
  await database.sweeps.put({ id: LAST, folder, files });
}

export async function findWritten(): Promise<WrittenSweep | undefined> {
  const kept = await database.sweeps.get(LAST);
  const files = filesSchema.safeParse(kept?.files).data;
  return kept && files ? { folder: kept.folder, files } : undefined;
}

export const forgetWritten = (): Promise<void> => database.sweeps.delete(LAST);

/** A site that was swept, by the name under which it was opened, and its folder where that can be opened again. */
export interface SweptSite {
  name: string;
  folder: FileSystemDirectoryHandle | null;
  kept: KeptSweep;
}

const readSwept = (row: object | undefined): SweptSite | undefined => {
  const { name, folder, kept } = { name: '', folder: null, kept: null, ...row };
  const read = keptSweepSchema.safeParse(kept).data;
  return read && name ? { name, folder, kept: read } : undefined;
};

export async function keepSwept({ kept, ...site }: SweptSite): Promise<void> {
  const row = { ...site, kept: asKept(kept) };
  await database.swept.put(row);
}

export const findSwept = async (name: string): Promise<SweptSite | undefined> => readSwept(await database.swept.get(name));

/** All that were swept, the last first. */
export async function listSwept(): Promise<SweptSite[]> {
  const sites = (await database.swept.toArray()).flatMap((row) => readSwept(row) ?? []);
  return sites.sort((a, b) => b.kept.at - a.kept.at);
}

export const forgetSwept = (name: string): Promise<void> => database.swept.delete(name);
