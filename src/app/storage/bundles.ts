import { merge, type Present } from '../../core/keeping/bundle/merge.ts';
import { preferenceSchema, type Bundle } from '../../core/keeping/bundle/bundle.ts';
import { BUNDLE_VERSION } from '../../core/keeping/bundle/version.ts';
import { database, findPreference, savePreference } from './database.ts';
import { wholesOf } from './embeds.ts';
import { listOrders, orderRow } from './orders.ts';
import { listCards, listLessons, listSites, listStyles } from './own.ts';

const { embeds, versions, pictures, proofs, backs, sites, styles, cards, preferences, lessons, orders } = database;

/** Everything that is kept, or what belongs to some embeds, as one bundle. Sites, styles, cards and preferences go with everything. */
export async function gather(ids: readonly string[] | null, now: Date): Promise<Bundle> {
  const wholes = await wholesOf(ids ?? (await embeds.toCollection().primaryKeys()));
  const own = ids === null ? await listOwn() : { sites: [], styles: [], cards: [], preferences: [], lessons: [], orders: [] };
  return {
    format: 'refenestra-bundle',
    version: BUNDLE_VERSION,
    made: now.toISOString(),
    embeds: wholes.map(({ embed }) => embed),
    versions: wholes.flatMap((whole) => whole.versions),
    pictures: wholes.flatMap(({ picture }) => picture ?? []),
    proofs: wholes.flatMap(({ proof }) => proof ?? []),
    backs: wholes.flatMap(({ back }) => back ?? []),
    ...own,
  };
}

async function listOwn(): Promise<Pick<Bundle, 'sites' | 'styles' | 'cards' | 'preferences' | 'lessons' | 'orders'>> {
  const [ownSites, ownStyles, ownCards, rows, ownLessons, kept] = await Promise.all([
    listSites(),
    listStyles(),
    listCards(),
    preferences.toArray(),
    listLessons(),
    listOrders(),
  ]);
  return {
    sites: ownSites,
    styles: ownStyles,
    cards: ownCards,
    lessons: ownLessons,
    orders: kept.orders,
    preferences: rows.flatMap((row) => preferenceSchema.safeParse(row).data ?? []),
  };
}

/** What is here of that which a bundle may touch. */
export const presentThings = (): Promise<Present> => gather(null, new Date(0));

/** Takes the chosen steps of a bundle in: all of them in one transaction, or, when the tab or the disk gives out, none. */
export async function takeIn(bundle: Bundle, chosen: ReadonlySet<string>): Promise<void> {
  await database.transaction(
    'rw',
    [embeds, versions, pictures, proofs, backs, sites, styles, cards, preferences, lessons, orders],
    async () => {
      const made = merge(bundle, await presentThings(), chosen);
      await embeds.bulkPut(made.embeds);
      await versions.bulkPut(made.versions);
      await pictures.bulkPut(made.pictures);
      await proofs.bulkPut(made.proofs);
      await backs.bulkPut(made.backs);
      await sites.bulkPut(made.sites);
      await styles.bulkPut(made.styles);
      await cards.bulkPut(made.cards);
      await lessons.bulkPut(made.lessons);
      await orders.bulkPut(made.orders.map(orderRow));
      await preferences.bulkPut(made.preferences);
    },
  );
}

const LAST = 'lastBundle';

/** When everything was last saved as a bundle; 0 where it never was. */
export async function lastBundle(): Promise<number> {
  const value = await findPreference(LAST);
  return typeof value === 'number' ? value : 0;
}

export const noteBundle = (now: number): Promise<void> => savePreference(LAST, now);

/** How many embeds were changed since the last bundle. */
export async function changedSinceBundle(): Promise<number> {
  return embeds
    .where('changed')
    .above(await lastBundle())
    .count();
}
