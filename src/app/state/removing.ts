import { takeOut, type Removed, type Rows } from '../storage/removed.ts';
import type { Store } from './store.ts';
import { removedLately, storageFound } from './view.ts';
import { ownCardsRead, ownSitesRead } from './world.ts';

/** Tells of what has been taken out, with a way back. */
async function told(store: Store, what: Omit<Removed, 'rows'>, taking: Promise<Rows>): Promise<void> {
  try {
    const rows = await taking;
    if (Object.keys(rows).length > 0) store.dispatch(removedLately({ ...what, rows }));
  } catch {
    store.dispatch(storageFound('missing'));
  }
}

interface Named {
  id: string;
  name: string;
}

/** Takes a card out, with what it was learnt from and its proof; rejects where the browser keeps nothing. */
export function dropCard(store: Store, id: string): Promise<Rows> {
  store.dispatch(ownCardsRead(store.getState().world.ownCards.filter((card) => card.id !== id)));
  return takeOut(id, ['cards', 'lessons', 'proved']);
}

/** A card goes with what it was learnt from, and with its proof. */
export const removeCard = (store: Store, { id, name }: Named): Promise<void> =>
  told(store, { name, path: `/hosts/${id}` }, dropCard(store, id));

export function removeSite(store: Store, { id, name }: Named): Promise<void> {
  store.dispatch(ownSitesRead(store.getState().world.ownSites.filter((site) => site.id !== id)));
  return told(store, { name, path: `/sites/${id}` }, takeOut(id, ['sites']));
}

export const removeOrder = (store: Store, { id, name }: Named): Promise<void> =>
  told(store, { name, path: `/orders/${id}` }, takeOut(id, ['orders']));

export const removeLibrary = (store: Store, { address, name }: { address: string; name: string }): Promise<void> =>
  told(store, { name, path: '/hosts/libraries' }, takeOut(address, ['libraries']));
