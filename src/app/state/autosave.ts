import { saveEmbed } from '../storage/database.ts';
import { selectEmbed, selectFacts, selectItem, selectWork } from './selectors.ts';
import type { Store } from './store.ts';
import { storageFound } from './view.ts';

const PAUSE = 150;

/** Saves the work in progress shortly after each change, and at once when the page goes away. */
export function startAutosave(store: Store): void {
  let timer: ReturnType<typeof setTimeout> | undefined;
  let last: unknown = null;
  const flush = (): void => {
    clearTimeout(timer);
    timer = undefined;
    void save(store);
  };
  store.subscribe(() => {
    const { present, touched } = store.getState().bench;
    if (!touched || present === last) return;
    last = present;
    clearTimeout(timer);
    timer = setTimeout(flush, PAUSE);
  });
  const leave = (): void => {
    if (timer !== undefined) flush();
  };
  window.addEventListener('pagehide', leave);
  document.addEventListener('visibilitychange', leave);
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
