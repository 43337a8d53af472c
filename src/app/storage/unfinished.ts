import { z } from 'zod';
import { lookedSchema, type Looked } from '../../core/many/sweep/looked.ts';
import { rulesSchema, type Rules } from '../../core/many/sweep/rules.ts';
import { database } from './database.ts';

/** A sweep that has not come to its end, with all that it takes to go on where it was. */
export interface Unfinished {
  name: string;
  /** All that it goes by, as one text: what was found holds for nothing else. */
  mark: string;
  /** Milliseconds since the epoch. */
  at: number;
  site: string | null;
  rules: Rules;
  folder: FileSystemDirectoryHandle | null;
  /** How many files the site has. */
  files: number;
}

const isFolder = (value: unknown): boolean =>
  typeof value === 'object' && value !== null && 'kind' in value && value.kind === 'directory';

const unfinishedSchema = z.object({
  name: z.string().min(1),
  mark: z.string(),
  at: z.number(),
  site: z.string().nullable(),
  rules: rulesSchema,
  folder: z.custom<FileSystemDirectoryHandle>(isFolder).nullable().catch(null),
  files: z.number(),
});

const { unfinished, looked } = database;
const read = (row: unknown): Unfinished | undefined => unfinishedSchema.safeParse(row).data;
/** What was found is kept by the mark, so that two windows that sweep one site by different rules do not mix it. */
const filesOf = (mark: string) => looked.where('name').equals(mark);

export const findUnfinished = async (name: string): Promise<Unfinished | undefined> => read(await unfinished.get(name));

/** All that were broken off, the last first, with how many files of each were looked into. */
export async function listUnfinished(): Promise<(Unfinished & { done: number })[]> {
  const all = (await unfinished.toArray()).flatMap((row) => read(row) ?? []);
  const counted = all.map(async (one) => {
    const counts = await looked.where('[name+count]').between([one.mark, 0], [one.mark, Infinity]).keys();
    return { ...one, done: counts.reduce((sum: number, key) => sum + (key as unknown as [string, number])[1], 0) };
  });
  return (await Promise.all(counted)).sort((a, b) => b.at - a.at);
}

/** Notes that a sweep begins, and gives what is known of its files since it was broken off. */
export async function beginUnfinished(one: Unfinished): Promise<Map<string, Looked>> {
  return database.transaction('rw', unfinished, looked, async () => {
    const before = await findUnfinished(one.name);
    const known = new Map<string, Looked>();
    if (before?.mark === one.mark) {
      for (const { files } of await filesOf(one.mark).toArray())
        for (const file of files.flatMap((row) => lookedSchema.safeParse(row).data ?? [])) known.set(file.file, file);
    } else if (before) await filesOf(before.mark).delete();
    await unfinished.put(one);
    return known;
  });
}

/** Keeps what was found in some files, until the sweep has come to its end. */
export async function keepLooked(mark: string, files: readonly Looked[]): Promise<void> {
  await looked.add({ name: mark, count: files.length, files });
}

export async function endUnfinished({ name, mark }: Pick<Unfinished, 'name' | 'mark'>): Promise<void> {
  await database.transaction('rw', unfinished, looked, async () => {
    if ((await findUnfinished(name))?.mark === mark) await unfinished.delete(name);
    await filesOf(mark).delete();
  });
}
