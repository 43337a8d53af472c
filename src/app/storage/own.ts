import { cardSchema, type HostCard } from '../../core/known/hosts/card.ts';
import { lessonSchema, NOTHING_PUT_RIGHT, type Lesson } from '../../core/teach/examples.ts';
import { cardProofSchema, type CardProof } from '../../core/teach/prove.ts';
import { siteSchema, type Site } from '../../core/model/site.ts';
import { styleSchema, type HouseStyle } from '../../core/known/styles/style.ts';
import { database } from './database.ts';

/** Cards, sites and styles of the user's own; one that no longer passes its schema is left where it is, and not used. */
export async function listCards(): Promise<HostCard[]> {
  const rows = await database.cards.toArray();
  return rows.flatMap((row) => cardSchema.safeParse(row).data ?? []);
}

/** Puts all of them in, or none. */
export async function saveCards(cards: readonly HostCard[]): Promise<void> {
  await database.transaction('rw', database.cards, () => database.cards.bulkPut([...cards]));
}

/** What a card was learnt from, and what was put right in it; nothing where there is nothing that can be read. */
export async function findLesson(id: string): Promise<Lesson> {
  return lessonSchema.safeParse(await database.lessons.get(id)).data ?? { id, examples: [], putRight: NOTHING_PUT_RIGHT };
}

export async function listLessons(): Promise<Lesson[]> {
  const rows = await database.lessons.toArray();
  return rows.flatMap((row) => lessonSchema.safeParse(row).data ?? []);
}

/** What came of proving a card last. */
export async function findProved(id: string): Promise<CardProof | undefined> {
  return cardProofSchema.safeParse(await database.proved.get(id)).data;
}

export async function saveProved(proof: CardProof): Promise<void> {
  await database.proved.put(proof);
}

/** A card with what it was learnt from: both are kept, or neither. */
export async function saveTaught(card: HostCard, { examples, putRight }: Omit<Lesson, 'id'>): Promise<void> {
  await database.transaction('rw', database.cards, database.lessons, async () => {
    await database.cards.put(card);
    await database.lessons.put({ id: card.id, examples, putRight });
  });
}

export async function listSites(): Promise<Site[]> {
  const rows = await database.sites.toArray();
  return rows.flatMap((row) => siteSchema.safeParse(row).data ?? []);
}

export async function saveSite(site: Site): Promise<void> {
  await database.sites.put(site);
}

export async function listStyles(): Promise<HouseStyle[]> {
  const rows = await database.styles.toArray();
  return rows.flatMap((row) => styleSchema.safeParse(row).data ?? []);
}

export async function saveStyle(style: HouseStyle): Promise<void> {
  await database.styles.put(style);
}
