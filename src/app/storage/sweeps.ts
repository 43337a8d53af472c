import { z } from 'zod';
import type { Change } from '../../core/many/sweep/found.ts';
import { database } from './database.ts';

/** What was last written into a folder: kept before the first file is, so that it can be taken back whatever happens. */
export interface WrittenSweep {
  folder: FileSystemDirectoryHandle;
  files: readonly { name: string; changes: readonly Change[] }[];
}

const changeSchema = z.object({
  range: z.tuple([z.number(), z.number()]),
  before: z.string(),
  after: z.string(),
  ends: z.array(z.string()),
  stays: z.array(z.string()),
  loads: z.boolean(),
});
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
