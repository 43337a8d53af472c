import { MOST_SEARCHES, searchesSchema } from '../../core/keeping/shelf/saved.ts';
import { database, findPreference, savePreference } from './database.ts';

const PREFERENCE = 'searches';

/** Searches of the Shelf that were kept, each as the query of its address, the first kept first. */
export const listSearches = async (): Promise<string[]> => searchesSchema.catch([]).parse(await findPreference(PREFERENCE));

const change = (next: (before: string[]) => string[]): Promise<void> =>
  database.transaction('rw', database.preferences, async () => savePreference(PREFERENCE, next(await listSearches())));

export const keepSearch = (query: string): Promise<void> =>
  change((before) => [...before.filter((one) => one !== query), query].slice(-MOST_SEARCHES));

export const forgetSearch = (query: string): Promise<void> => change((before) => before.filter((one) => one !== query));
