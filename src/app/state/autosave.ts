import { saveEmbed } from '../storage/database.ts';
import { selectEmbed, selectFacts, selectItem, selectWork } from './selectors.ts';
import type { Store } from './store.ts';
import { storageFound } from './view.ts';
import type { Work } from './work.ts';

/**
 * Saves the work in progress at each change: at once, or as soon as the write before is done, so that a tab
 * that closes loses nothing but what was changed while the last write ran.
 */
export function startAutosave(store: Store): void {
  let saved: Work | null = null;
  let writing = false;
  const write = (): void => {
    const { present, touched } = store.getState().bench;
    if (writing || !touched || present === saved) return;
    saved = present;
    writing = true;
    void save(store).finally(() => {
      writing = false;
      write();
    });
  };
  store.subscribe(write);
}

async function save(store: Store): Promise<void> {
  const state = store.getState();
  const work = selectWork(state);
  if (work.text.trim() === '') return;
  const item = selectItem(state);
  const title = String(
    selectEmbed(state)?.settings.title ??
      selectFacts(state).title ??
      item?.canonical.replace(/^https?:\/\//, '') ??
      work.text.slice(0, 80),
  );
  try {
    await saveEmbed({ id: work.id, work, title, host: item?.host ?? '', kind: item?.kind ?? '' }, Date.now());
    if (state.view.storage !== 'works') store.dispatch(storageFound('works'));
  } catch (error) {
    store.dispatch(storageFound(isFull(error) ? 'full' : 'missing'));
  }
}

const isFull = (error: unknown): boolean => error instanceof Error && /quota/i.test(`${error.name} ${error.message}`);
