import { z } from 'zod';
import { database, findPreference, savePreference } from './database.ts';

/** More than anybody reads through. */
const MOST = 40;
const PREFERENCE = 'searches';
const searchesSchema = z.array(z.string().max(2000)).catch([]);

/** Searches of the Shelf that were kept, each as the query of its address, the first kept first. */
export const listSearches = async (): Promise<string[]> => searchesSchema.parse(await findPreference(PREFERENCE));

const change = (next: (before: string[]) => string[]): Promise<void> =>
  database.transaction('rw', database.preferences, async () => savePreference(PREFERENCE, next(await listSearches())));

export const keepSearch = (query: string): Promise<void> =>
  change((before) => [...before.filter((one) => one !== query), query].slice(-MOST));

export const forgetSearch = (query: string): Promise<void> => change((before) => before.filter((one) => one !== query));
