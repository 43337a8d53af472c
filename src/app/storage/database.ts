import Dexie, { type EntityTable } from 'dexie';
import type { Picture, SavedEmbed, Version } from '../../core/keeping/shelf/saved.ts';

interface Preference {
  name: string;
  value: unknown;
}

/** The tables of the browser's store. What comes out of them is checked like any other input. */
export const database = new Dexie('refenestra') as Dexie & {
  embeds: EntityTable<SavedEmbed, 'id'>;
  versions: EntityTable<Version, 'id'>;
  pictures: EntityTable<Picture, 'id'>;
  proofs: EntityTable<{ id: string }, 'id'>;
  backs: EntityTable<{ id: string }, 'id'>;
  preferences: EntityTable<Preference, 'name'>;
  cards: EntityTable<{ id: string }, 'id'>;
  sites: EntityTable<{ id: string }, 'id'>;
  styles: EntityTable<{ site: string }, 'site'>;
  batches: EntityTable<{ id: string }, 'id'>;
  libraries: EntityTable<{ address: string }, 'address'>;
  proved: EntityTable<{ id: string }, 'id'>;
  orders: EntityTable<{ id: string }, 'id'>;
  sweeps: EntityTable<{ id: string; folder: FileSystemDirectoryHandle; files: readonly unknown[] }, 'id'>;
  swept: EntityTable<{ name: string }, 'name'>;
  unfinished: EntityTable<{ name: string }, 'name'>;
  looked: EntityTable<{ id?: number; name: string; count: number; files: readonly unknown[] }, 'id'>;
  lessons: EntityTable<{ id: string; examples: unknown; putRight: unknown }, 'id'>;
};
database.version(1).stores({ embeds: 'id, changed', preferences: 'name' });
database.version(2).stores({ cards: 'id' });
database.version(3).stores({ sites: 'id' });
database.version(4).stores({ proofs: 'id' });
database.version(5).stores({ versions: 'id, embed', pictures: 'id', backs: 'id', styles: 'site', batches: 'id' });
database.version(6).stores({ lessons: 'id' });
database.version(7).stores({ proved: 'id' });
database.version(8).stores({ libraries: 'address' });
database.version(9).stores({ orders: 'id' });
database.version(10).stores({ sweeps: 'id' });
database.version(11).stores({ swept: 'name' });
database.version(12).stores({ unfinished: 'name', looked: '++id, name, [name+count]' });

/** How long the store may take to open, in milliseconds. */
const PATIENCE = 10_000;

/** Tells when the store cannot be opened: another window holds an older one open, or it never answers. */
export function watchOpening(tell: (trouble: 'blocked' | 'silent') => void): void {
  database.on('blocked', () => tell('blocked'));
  // A newer Refenestra in another window needs this one to let go.
  database.on('versionchange', () => {
    database.close();
    tell('blocked');
  });
  const late = setTimeout(() => tell('silent'), PATIENCE);
  database.open().then(
    () => clearTimeout(late),
    () => clearTimeout(late),
  );
}

export async function savePreference(name: string, value: unknown): Promise<void> {
  await database.preferences.put({ name, value });
}

export async function findPreference(name: string): Promise<unknown> {
  return (await database.preferences.get(name))?.value;
}

/** Whether a write failed for want of room (Indexed Database API 3.0, section 4.11). */
export const isFull = (error: unknown): boolean => error instanceof Error && /quota/i.test(`${error.name} ${error.message}`);
