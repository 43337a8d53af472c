import { database } from './database.ts';

const TABLES = ['cards', 'lessons', 'proved', 'sites', 'orders', 'libraries'] as const;
type TableName = (typeof TABLES)[number];

/** Rows of one thing as they were, by their table. */
export type Rows = Readonly<Partial<Record<TableName, unknown>>>;

/** What was removed last, which can be put back. */
export interface Removed {
  name: string;
  /** Where it is to be seen again. */
  path: string;
  rows: Rows;
}

/** Takes out what is kept under a key, in one step, and gives it, so that it can be put back. */
export async function takeOut(key: string, tables: readonly TableName[]): Promise<Rows> {
  const of = tables.map((name) => database.table<unknown, string>(name));
  return database.transaction('rw', of, async () => {
    const rows = await Promise.all(of.map((table) => table.get(key)));
    await Promise.all(of.map((table) => table.delete(key)));
    return Object.fromEntries(tables.flatMap((name, i) => (rows[i] === undefined ? [] : [[name, rows[i]]])));
  });
}

/** Puts back what was taken out, all of it or nothing. */
export async function putBack(rows: Rows): Promise<void> {
  const names = TABLES.filter((name) => rows[name] !== undefined);
  const of = names.map((name) => database.table<unknown, string>(name));
  await database.transaction('rw', of, async () => {
    await Promise.all(names.map((name, i) => of[i]!.put(rows[name])));
  });
}
