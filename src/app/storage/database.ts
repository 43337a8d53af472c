import Dexie, { type EntityTable } from 'dexie';
import { z } from 'zod';
import { cardSchema, type HostCard } from '../../core/hosts/card.ts';
import { proofSchema, type Proof } from '../../core/model/proof.ts';
import { siteSchema, type Site } from '../../core/model/site.ts';
import { workSchema, type Work } from '../state/work.ts';

/** An embed as it is kept. Times are milliseconds since the epoch. */
export interface SavedEmbed {
  id: string;
  work: Work;
  title: string;
  host: string;
  kind: string;
  made: number;
  changed: number;
}

interface Preference {
  name: string;
  value: unknown;
}

const database = new Dexie('refenestra') as Dexie & {
  embeds: EntityTable<SavedEmbed, 'id'>;
  preferences: EntityTable<Preference, 'name'>;
  cards: EntityTable<{ id: string }, 'id'>;
  sites: EntityTable<{ id: string }, 'id'>;
  proofs: EntityTable<{ id: string }, 'id'>;
};
database.version(1).stores({ embeds: 'id, changed', preferences: 'name' });
database.version(2).stores({ cards: 'id' });
database.version(3).stores({ sites: 'id' });
database.version(4).stores({ proofs: 'id' });

const savedSchema = z.object({
  id: z.string(),
  work: workSchema,
  title: z.string(),
  host: z.string(),
  kind: z.string(),
  made: z.number(),
  changed: z.number(),
});

/** Keeps an embed; the time at which it was first made stays. */
export async function saveEmbed(embed: Omit<SavedEmbed, 'made' | 'changed'>, now: number): Promise<void> {
  await database.transaction('rw', database.embeds, async () => {
    const before = await database.embeds.get(embed.id);
    await database.embeds.put({ ...embed, made: before?.made ?? now, changed: now });
  });
}

/** The embed under this id, or undefined; what is kept is checked like any other input. */
export async function findEmbed(id: string): Promise<SavedEmbed | undefined> {
  return savedSchema.safeParse(await database.embeds.get(id)).data;
}

/** All embeds, last changed first. */
export async function listEmbeds(): Promise<SavedEmbed[]> {
  const rows = await database.embeds.orderBy('changed').reverse().toArray();
  return rows.flatMap((row) => savedSchema.safeParse(row).data ?? []);
}

export async function removeEmbed(id: string): Promise<void> {
  await database.embeds.delete(id);
}

export async function restoreEmbed(embed: SavedEmbed): Promise<void> {
  await database.embeds.put(embed);
}

export async function savePreference(name: string, value: unknown): Promise<void> {
  await database.preferences.put({ name, value });
}

export async function findPreference(name: string): Promise<unknown> {
  return (await database.preferences.get(name))?.value;
}

/** Cards of the user's own; one that no longer passes the schema is left where it is, and not used. */
export async function listCards(): Promise<HostCard[]> {
  const rows = await database.cards.toArray();
  return rows.flatMap((row) => cardSchema.safeParse(row).data ?? []);
}

/** Puts all of them in, or none. */
export async function saveCards(cards: readonly HostCard[]): Promise<void> {
  await database.transaction('rw', database.cards, () => database.cards.bulkPut([...cards]));
}

export async function removeCard(id: string): Promise<void> {
  await database.cards.delete(id);
}

/** Sites of the user's own, and changed ones of ours, by the same rule. */
export async function listSites(): Promise<Site[]> {
  const rows = await database.sites.toArray();
  return rows.flatMap((row) => siteSchema.safeParse(row).data ?? []);
}

export async function saveSite(site: Site): Promise<void> {
  await database.sites.put(site);
}

export async function removeSite(id: string): Promise<void> {
  await database.sites.delete(id);
}

/** The play-through that is kept with an embed; a later one takes the place of the one before. */
export async function findProof(id: string): Promise<Proof | undefined> {
  return proofSchema.safeParse(await database.proofs.get(id)).data;
}

export async function saveProof(proof: Proof): Promise<void> {
  await database.proofs.put(proof);
}
