import { z } from 'zod';
import { cardSchema } from '../../core/known/hosts/card.ts';
import { database } from './database.ts';

/** A card library that somebody added, with the cards that were taken from it, as they were then. */
const keptLibrary = z.object({
  address: z.url().max(4000),
  name: z.string().max(80),
  /** Milliseconds since the epoch. */
  looked: z.number(),
  taken: z.array(z.object({ id: z.string(), version: z.number(), card: cardSchema })),
});
export type KeptLibrary = z.infer<typeof keptLibrary>;

export async function listLibraries(): Promise<KeptLibrary[]> {
  const rows = await database.libraries.toArray();
  return rows.flatMap((row) => keptLibrary.safeParse(row).data ?? []);
}

export async function saveLibrary(library: KeptLibrary): Promise<void> {
  await database.libraries.put(library);
}
