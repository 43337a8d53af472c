import { addListener, createSelector, nanoid } from '@reduxjs/toolkit';
import { recordOf, type Made } from '../../core/keeping/shelf/record.ts';
import { WRITES, type Written } from '../storage/announce.ts';
import { isFull } from '../storage/database.ts';
import { addVersion, findEmbed, saveEmbed } from '../storage/embeds.ts';
import { followed, forked, versionKept } from './bench.ts';
import { selectEmbed, selectHostFacts, selectItem, selectSite, selectStyle, selectWork } from './selectors.ts';
import { sameData } from './sameData.ts';
import type { Dispatch, State, Store } from './store.ts';
import { noticed, storageFound, unwrittenFound } from './view.ts';

const addChangeListener = addListener.withTypes<State, Dispatch>();

const selectMaking = createSelector([selectItem, selectEmbed, selectHostFacts], (item, embed, facts) => ({ item, embed, facts }));

/** What is kept of the work on the Bench; another object as soon as anything of it has changed. */
const selectRecord = createSelector([selectWork, selectStyle, selectSite, selectMaking], (work, style, site, making): Made =>
  recordOf({ ...work, style, site: site?.id ?? work.site }, making),
);

/**
 * Saves the work in progress at each change: right after the screen shows it, or as soon as the write before is
 * done, so that a tab that closes loses nothing but what was changed while the last write ran. What another window
 * writes meanwhile is followed while nothing was changed here; otherwise what was changed here goes on as a copy.
 */
export function startAutosave(store: Store, windows = new BroadcastChannel(WRITES)): void {
  const revisions = new Map<string, number>();
  /** The last state of works that were left, or could not be written: it stays here until it is. */
  const waiting = new Map<string, Made>();
  let opened: unknown;
  let saved: Made | null = null;
  let writing: Made | true | null = null;
  let due: ReturnType<typeof setTimeout> | undefined;

  const noteOpened = ({ bench: { from } }: State): void => {
    if (from !== opened) revisions.set(from.id, from.revision);
    opened = from;
  };
  const revisionOf = (id: string): number => {
    noteOpened(store.getState());
    return revisions.get(id) ?? 0;
  };
  const unsaved = (state = store.getState()): Made | null => {
    if (!state.bench.touched || state.bench.present.text.trim() === '') return null;
    const record = selectRecord(state);
    // Sites and cards that were read anew make another object of it, which is no change of the work.
    if (record !== saved && sameData(record, saved)) saved = record;
    return record === saved ? null : record;
  };

  async function save(record: Made): Promise<void> {
    const revision = await saveEmbed(record, revisionOf(record.id), Date.now());
    if (revision === null && record.id !== store.getState().bench.present.id) {
      const id = nanoid(10);
      await saveEmbed({ ...record, id, work: { ...record.work, id } }, 0, Date.now());
      return;
    }
    if (revision === null) {
      store.dispatch(forked(nanoid(10)));
      store.dispatch(noticed('forked'));
      return;
    }
    revisions.set(record.id, revision);
    saved = record;
    windows.postMessage({ id: record.id, revision } satisfies Written);
  }

  async function keepVersion(): Promise<void> {
    const { takenCode } = store.getState().bench;
    if (takenCode === null || unsaved() !== null) return;
    await addVersion(takenCode.work.id, takenCode, Date.now());
    store.dispatch(versionKept());
  }

  /** What is to be written next: what is on the Bench first, then what waits. */
  const next = (): Made | null => unsaved() ?? waiting.values().next().value ?? null;

  const write = (): void => {
    clearTimeout(due);
    due = undefined;
    if (writing) return;
    const record = next();
    if (record === null && store.getState().bench.takenCode === null) return;
    writing = record ?? true;
    const waited = record === null ? undefined : waiting.get(record.id);
    let failed = false;
    (record === null ? keepVersion() : save(record))
      .then(() => {
        // What came to wait meanwhile is newer.
        if (record !== null && waiting.get(record.id) === waited) waiting.delete(record.id);
        tellWaiting();
        if (waiting.size === 0) note(store, 'works');
      })
      .catch((error: unknown) => {
        failed = true;
        if (record !== null) {
          waiting.delete(record.id);
          waiting.set(record.id, record);
          if (record.id === store.getState().bench.present.id) saved = record;
        }
        tellWaiting();
        note(store, isFull(error) ? 'full' : 'missing');
      })
      .finally(() => {
        writing = null;
        if (!failed) write();
        else due ??= setTimeout(write, AGAIN);
      });
  };
  const tellWaiting = (): void => {
    const told = store.getState().view.unwritten;
    const now = [...waiting.values()].sort((a, b) => (a.id < b.id ? -1 : 1));
    if (told.length !== now.length || told.some((one, i) => one !== now[i])) store.dispatch(unwrittenFound(now));
  };
  const keepLeft = (before: State): void => {
    noteOpened(before);
    const record = unsaved(before);
    if (record !== null && !sameData(record, writing)) waiting.set(record.id, record);
  };
  store.dispatch(
    addChangeListener({
      predicate: (_, state, before) => state !== before,
      effect: (action, api) => {
        const before = api.getOriginalState();
        // A work that goes on as a copy has not been left.
        if (api.getState().bench.present.id !== before.bench.present.id && !forked.match(action)) keepLeft(before);
        due ??= setTimeout(write, 0);
      },
    }),
  );

  windows.onmessage = ({ data }: MessageEvent<Written>) => {
    const { present } = store.getState().bench;
    if (data.id !== present.id || data.revision <= revisionOf(present.id) || unsaved() !== null || writing !== null) return;
    void findEmbed(present.id).then((theirs) => {
      if (!theirs || unsaved() !== null || store.getState().bench.present.id !== theirs.id) return;
      revisions.set(theirs.id, theirs.revision);
      store.dispatch(followed(theirs.work));
      store.dispatch(noticed('followed'));
      saved = selectRecord(store.getState());
    });
  };
}

/** Milliseconds after which what could not be written is tried again. */
const AGAIN = 2000;

function note(store: Store, storage: 'works' | 'full' | 'missing'): void {
  if (store.getState().view.storage !== storage) store.dispatch(storageFound(storage));
}
