import { savedSchema, type SavedEmbed } from '../../core/keeping/shelf/saved.ts';
import { database } from './database.ts';

const placeSchema = savedSchema.pick({ id: true, item: true, placed: true });

/** Of all embeds, which item each is of and where it stands. */
export async function listPlaces(): Promise<Pick<SavedEmbed, 'id' | 'item' | 'placed'>[]> {
  const rows = await database.embeds.toArray();
  return rows.flatMap((row) => placeSchema.safeParse(row).data ?? []);
}
