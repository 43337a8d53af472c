import { describe, expect, test, vi } from 'vitest';
import { loadCards } from '../../core/known/hosts/loadCards.ts';
import { readCardFiles, readSites, WRITTEN_ORIGIN } from '../../standins/world.ts';
import { NO_TEAM } from '../state/answers.ts';
import { broughtIn, changed } from '../state/bench.ts';
import { linkPlayer } from '../state/playerLink.ts';
import { makeStore, type Store } from '../state/store.ts';
import { playerReported } from '../state/view.ts';
import { server } from '../state/server.ts';
import { copyCode } from './copyCode.ts';
import { COMMANDS } from './list.ts';
import { playOrPause } from './playOrPause.ts';
import { redo } from './redo.ts';
import { undo } from './undo.ts';

function storeWith(link: string): Store {
  const store = makeStore();
  const world = {
    cards: loadCards(readCardFiles(WRITTEN_ORIGIN)).cards,
    sites: readSites(WRITTEN_ORIGIN),
    example: '',
    team: NO_TEAM,
  };
  store.dispatch(server.util.upsertQueryEntries([{ endpointName: 'given', arg: undefined, value: world }]));
  store.dispatch(broughtIn(link));
  return store;
}
const VIDEO = 'http://lanternreel.localhost:4600/see/k7wq2m9d';
const SOUND = 'http://murmurfold.localhost:4600/quillmarsh-mill/the-mill-at-night';

test('no two commands share their keys', () => {
  expect(new Set(COMMANDS.map((c) => c.keys)).size).toBe(COMMANDS.length);
});

test('asking whether it can be done does nothing', () => {
  const store = storeWith(VIDEO);
  const before = store.getState();
  for (const command of [undo, redo, copyCode, playOrPause]) command.run(store, false);
  expect(store.getState()).toBe(before);
});

test('undo and redo can be done only where there is something', () => {
  const store = storeWith(VIDEO);
  store.dispatch(changed({ change: { start: 5 } }));
  expect([undo.run(store, true), store.getState().bench.present.changes]).toEqual([true, {}]);
  expect([redo.run(store, true), store.getState().bench.present.changes]).toEqual([true, { start: 5 }]);
  expect(redo.run(store, true)).toBe(false);
});

describe('copying', () => {
  const withClipboard = (writeText: (text: string) => Promise<void>): void => {
    vi.stubGlobal('navigator', { clipboard: { writeText } });
  };

  test('writes the code, confirms it, and marks the work to be kept', async () => {
    const written: string[] = [];
    withClipboard((text) => Promise.resolve(void written.push(text)));
    const store = storeWith(VIDEO);
    expect(copyCode.run(store, true)).toBe(true);
    await vi.waitFor(() => expect(store.getState().view.copied).toBe('yes'));
    expect(written[0]).toContain('<iframe');
    expect(store.getState().bench.touched).toBe(true);
    vi.unstubAllGlobals();
  });

  test('says so when the browser refuses', async () => {
    withClipboard(() => Promise.reject(new Error('no')));
    const store = storeWith(VIDEO);
    copyCode.run(store, true);
    await vi.waitFor(() => expect(store.getState().view.copied).toBe('failed'));
    vi.unstubAllGlobals();
  });

  test('cannot be done where nothing was recognised', () => expect(copyCode.run(storeWith('words'), true)).toBe(false));
});

describe('playing the preview', () => {
  const posts: unknown[] = [];
  const playing = (link: string): Store => {
    posts.length = 0;
    const store = storeWith(link);
    linkPlayer(store, { post: (message) => posts.push(message), press: () => undefined });
    return store;
  };

  test('waits for the first report of the player', () => {
    const store = playing(VIDEO);
    expect(playOrPause.run(store, true)).toBe(false);
    store.dispatch(playerReported({ event: 'ready', time: 0 }));
    expect(playOrPause.run(store, true)).toBe(true);
    expect(posts).toEqual([{ reelDo: 'hush' }, { reelDo: 'roll' }]);
  });

  test('pauses what plays', () => {
    const store = playing(VIDEO);
    store.dispatch(playerReported({ event: 'playing', time: 1 }));
    playOrPause.run(store, true);
    expect(posts).toEqual([{ reelDo: 'halt' }]);
  });

  test('is not offered where the player cannot be muted: the browser would refuse', () => {
    const store = playing(SOUND);
    store.dispatch(playerReported({ event: 'ready', time: 0 }));
    expect(playOrPause.run(store, true)).toBe(false);
  });
});
