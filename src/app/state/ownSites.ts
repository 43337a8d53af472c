import type { Site } from '../../core/model/site.ts';
import { saveSite } from '../storage/own.ts';
import type { Store } from './store.ts';
import { storageFound } from './view.ts';
import { ownSitesRead } from './world.ts';

/** Keeps a site; it can be used at once, even where the browser keeps nothing. */
export async function keepSite(store: Store, site: Site): Promise<void> {
  const others = store.getState().world.ownSites.filter(({ id }) => id !== site.id);
  store.dispatch(ownSitesRead([...others, site]));
  await saveSite(site).catch(() => store.dispatch(storageFound('missing')));
}
