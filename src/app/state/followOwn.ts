import { liveQuery } from 'dexie';
import { providersSchema } from '../../core/known/hosts/providers.ts';
import { findPreference } from '../storage/database.ts';
import { listCards, listSites, listStyles } from '../storage/own.ts';
import { PROVIDERS } from './ownCards.ts';
import type { Store } from './store.ts';
import { storageFound } from './view.ts';
import { ownCardsRead, ownSitesRead, providersRead, stylesRead } from './world.ts';

/** Follows the user's own cards, provider list, sites and house styles in the store, whichever window changes them. */
export function followOwn(store: Store): void {
  const follow = <Value>(query: () => Promise<Value>, take: (value: Value) => void): void =>
    void liveQuery(query).subscribe({
      next: take,
      error: () => store.dispatch(storageFound('missing')),
    });
  follow(listCards, (cards) => store.dispatch(ownCardsRead(cards)));
  follow(listSites, (sites) => store.dispatch(ownSitesRead(sites)));
  follow(listStyles, (styles) => store.dispatch(stylesRead(styles)));
  follow(
    async () => providersSchema.safeParse(await findPreference(PROVIDERS)).data ?? [],
    (providers) => store.dispatch(providersRead(providers)),
  );
}
