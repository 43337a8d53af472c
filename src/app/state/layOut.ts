import { findPreference, savePreference } from '../storage/database.ts';
import { benchLayoutSchema, type BenchLayout } from './benchLayout.ts';
import type { Store } from './store.ts';
import { laidOut, storageFound } from './view.ts';

/** Lays the panes of the Bench out, and keeps it so on this device. */
export function layOut(store: Store, change: Partial<BenchLayout>): void {
  store.dispatch(laidOut(change));
  savePreference('layout', store.getState().view.layout).catch(() => store.dispatch(storageFound('missing')));
}

/** Lays the panes out as they were left. */
export async function readLayout(store: Store): Promise<void> {
  const kept = benchLayoutSchema.safeParse(await findPreference('layout').catch(() => undefined));
  if (kept.success) store.dispatch(laidOut(kept.data));
}
