import { createSelector } from '@reduxjs/toolkit';
import { saveEmbed } from '../storage/database.ts';
import { selectEmbed, selectFacts, selectItem, selectWork } from './selectors.ts';
import type { Store } from './store.ts';
import { storageFound } from './view.ts';

/** What is kept of the work on the Bench; another object as soon as anything of it has changed. */
const selectRecord = createSelector([selectWork, selectItem, selectEmbed, selectFacts], (work, item, embed, facts) => {
  const address = item?.canonical.replace(/^https?:\/\//, '') ?? work.text.slice(0, 80);
  const title = String(embed?.settings.title ?? facts.title ?? address);
  return { id: work.id, work, title, host: item?.host ?? '', kind: item?.kind ?? '' };
});

/**
 * Saves the work in progress at each change: right after the screen shows it, or as soon as the write before is
 * done, so that a tab that closes loses nothing but what was changed while the last write ran.
 */
export function startAutosave(store: Store): void {
  let saved: unknown = null;
  let writing = false;
  let due: ReturnType<typeof setTimeout> | undefined;
  const write = (): void => {
    due = undefined;
    const state = store.getState();
    if (writing || !state.bench.touched || state.bench.present.text.trim() === '') return;
    const record = selectRecord(state);
    if (record === saved) return;
    saved = record;
    writing = true;
    saveEmbed(record, Date.now())
      .then(() => note(store, 'works'))
      .catch((error: unknown) => note(store, isFull(error) ? 'full' : 'missing'))
      .finally(() => {
        writing = false;
        write();
      });
  };
  store.subscribe(() => (due ??= setTimeout(write, 0)));
}

function note(store: Store, storage: 'works' | 'full' | 'missing'): void {
  if (store.getState().view.storage !== storage) store.dispatch(storageFound(storage));
}

const isFull = (error: unknown): boolean => error instanceof Error && /quota/i.test(`${error.name} ${error.message}`);
