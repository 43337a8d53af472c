import { afterEach, beforeEach, describe, expect, test, vi } from 'vitest';
import { emptyStyle } from '../../core/known/styles/style.ts';
import { loadCards } from '../../core/known/hosts/loadCards.ts';
import { readCardFiles, readSites, WRITTEN_ORIGIN } from '../../standins/world.ts';
import { NO_TEAM } from './answers.ts';
import { WRITES } from '../storage/announce.ts';
import { database, watchOpening } from '../storage/database.ts';
import {
  addVersion,
  changeEmbeds,
  duplicateEmbed,
  findEmbed,
  findPictures,
  latestEmbed,
  listEmbeds,
  listVersions,
  putWholes,
  removeEmbeds,
  removeUnreadable,
  replaceWorks,
  saveEmbed,
  savePicture,
  wholesOf,
} from '../storage/embeds.ts';
import { newOrder } from '../../core/order/order.ts';
import { addOrderVersion, findOrder, listOrders, saveOrder, savePlaced } from '../storage/orders.ts';
import { watchEmbeds, type Stock } from '../storage/watch.ts';
import { startAutosave } from './autosave.ts';
import { broughtIn, changed, kept, opened } from './bench.ts';
import { selectEmbed, selectFound, selectPreviewCode, selectRecognised } from './selectors.ts';
import { followOwn } from './followOwn.ts';
import { openAtStart } from './openWork.ts';
import { makeStore, type Store } from './store.ts';
import { emptyWork, settingsWith, workSchema } from '../../core/keeping/shelf/work.ts';
import type { Facts } from '../../core/model/item.ts';
import type { Made } from '../../core/keeping/shelf/record.ts';
import { server } from './server.ts';
import { ownSitesRead } from './world.ts';

const LINK = 'http://lanternreel.localhost:4600/see/k7wq2m9d';
const hostSays = (facts: Facts) =>
  server.util.upsertQueryEntries([
    {
      endpointName: 'said',
      arg: { link: LINK, about: LINK, width: undefined },
      value: { facts, found: null, refused: null },
    },
  ]);

function storeWithWorld(): Store {
  const store = makeStore();
  const world = {
    cards: loadCards(readCardFiles(WRITTEN_ORIGIN)).cards,
    sites: readSites(WRITTEN_ORIGIN),
    example: LINK,
    team: NO_TEAM,
  };
  store.dispatch(server.util.upsertQueryEntries([{ endpointName: 'given', arg: undefined, value: world }]));
  return store;
}

beforeEach(async () => {
  await removeEmbeds((await listEmbeds()).map(({ id }) => id));
});

const made = (id: string, change: Partial<Made> = {}): Made => ({
  id,
  work: { ...emptyWork('mill', id), text: LINK, style: {} },
  title: 'T',
  host: 'lanternreel',
  kind: 'video',
  item: LINK,
  code: '<iframe></iframe>',
  facts: {},
  look: [],
  ...change,
});

describe('what the Bench begins with is opened before it is drawn', () => {
  const NOT_YET = new AbortController().signal;

  async function openAt(address: { pathname: string; search?: string }, drawn = NOT_YET) {
    const store = storeWithWorld();
    store.dispatch(hostSays({ title: 'T' }));
    const replaceState = vi.fn();
    vi.stubGlobal('location', { search: '', hash: '#tour', ...address });
    vi.stubGlobal('history', { state: null, replaceState });
    await openAtStart(store, Promise.resolve(), drawn).finally(() => vi.unstubAllGlobals());
    return { present: store.getState().bench.present, addresses: replaceState.mock.calls.map(([, , to]) => to as string) };
  }

  test.each([
    { what: 'what was changed last', address: { pathname: '/' }, id: 'b' },
    { what: 'what the address names', address: { pathname: '/bench/a' }, id: 'a' },
    { what: 'nothing that is not there', address: { pathname: '/bench/gone' }, id: undefined },
    { what: 'nothing where something is handed over', address: { pathname: '/', search: '?take=x' }, id: undefined },
    { what: 'nothing on another screen', address: { pathname: '/shelf' }, id: undefined },
    { what: 'nothing that comes too late', address: { pathname: '/' }, drawn: AbortSignal.abort(), id: undefined },
  ])('$what', async ({ address, drawn, id }) => {
    await saveEmbed(made('a'), 0, 1);
    await saveEmbed(made('b'), 0, 2);
    const { present, addresses } = await openAt(address, drawn);
    expect(present.id).toBe(id ?? makeStore().getState().bench.present.id);
    expect(addresses).toEqual(id === undefined ? [] : [`/bench/${id}#tour`]);
  });

  test('the example, where nothing is kept', async () => {
    expect((await openAt({ pathname: '/' })).present.text).toBe(LINK);
  });
});

test('a running order keeps where it stands, and its versions, when it is changed; gone back to, it is as it was', async () => {
  const order = newOrder('talks', { name: 'Talks' });
  await saveOrder(order);
  await savePlaced('talks', [{ address: 'https://mill.example/talks', since: 1 }]);
  await addOrderVersion(order, 5);
  await addOrderVersion(order, 6);
  await saveOrder({ ...order, name: 'Lectures' });
  expect(await findOrder('talks')).toMatchObject({
    order: { name: 'Lectures' },
    placed: [{ address: 'https://mill.example/talks', since: 1 }],
    versions: [{ taken: 5, order: { name: 'Talks' } }],
  });
  expect((await listOrders()).orders.map((one) => one.versions.length)).toEqual([1]);
  await expect(savePlaced('talks', [{ address: 'javascript:x', since: 1 }])).rejects.toThrow();
  expect((await findOrder('talks'))!.placed).toHaveLength(1);
});

describe('what is kept', () => {
  test('comes back as it was, with the time of its making', async () => {
    expect(await saveEmbed(made('one'), 0, 1000)).toBe(1);
    expect(await saveEmbed(made('one', { title: 'U' }), 1, 2000)).toBe(2);
    const kept = { stage: 'draft', tags: [], placed: [], made: 1000, changed: 2000, revision: 2 };
    expect(await findEmbed('one')).toEqual({ ...made('one', { title: 'U' }), ...kept });
    expect(await latestEmbed()).toMatchObject({ id: 'one' });
  });

  test('is not written over by a window that has not seen the last change', async () => {
    await saveEmbed(made('one'), 0, 1000);
    expect(await saveEmbed(made('one', { title: 'theirs' }), 1, 2000)).toBe(2);
    expect(await saveEmbed(made('one', { title: 'mine' }), 1, 3000)).toBeNull();
    expect((await findEmbed('one'))!.title).toBe('theirs');
  });

  test('keeps tags and pages when the work changes, and the work when tags change', async () => {
    await saveEmbed(made('one'), 0, 1000);
    await changeEmbeds(['one'], ({ tags }) => ({ tags: [...tags, 'tides'] }), 1500);
    expect(await saveEmbed(made('one', { title: 'U' }), 1, 2000)).toBe(2);
    expect(await findEmbed('one')).toMatchObject({ title: 'U', tags: ['tides'] });
  });

  test('is removed with all that belongs to it, and put back with it', async () => {
    await saveEmbed(made('one'), 0, 1000);
    await saveEmbed(made('two'), 0, 1000);
    await addVersion('one', { code: 'a', work: made('one').work }, 1000);
    await addVersion('one', { code: 'a', work: made('one').work }, 2000);
    await addVersion('one', { code: 'b', work: made('one').work }, 3000);
    await savePicture({ id: 'one', address: 'data:image/webp;base64,AAAA' });
    const before = await wholesOf(['one']);
    expect(before[0]!.versions.map(({ code }) => code).sort()).toEqual(['a', 'b']);
    expect(before[0]!.embed.stage).toBe('ready');
    const removed = await removeEmbeds(['one']);
    expect(removed).toEqual(before);
    expect([await findEmbed('one'), await listVersions('one'), await findPictures(['one'])]).toEqual([undefined, [], []]);
    await putWholes(removed);
    expect(await wholesOf(['one'])).toEqual(before);
  });

  test('is copied under an id of its own, as a draft that stands nowhere', async () => {
    await saveEmbed(made('one'), 0, 1000);
    await changeEmbeds(['one'], () => ({ placed: [{ address: 'http://mill.example/a', since: 1 }], stage: 'placed' }), 1000);
    const copy = (await duplicateEmbed('one', 5000))!;
    expect(await findEmbed(copy)).toMatchObject({
      work: { id: copy, text: LINK },
      title: 'T (copy)',
      stage: 'draft',
      placed: [],
    });
  });

  test('is left as it is by a change of which it would be more than can be kept', async () => {
    await saveEmbed(made('one'), 0, 1000);
    const before = await findEmbed('one');
    await expect(changeEmbeds(['one'], () => ({ tags: ['t'.repeat(41)] }), 2000)).rejects.toThrow();
    expect(await findEmbed('one')).toEqual(before);
  });

  test('is checked when it comes back: settings and forms that are none are left', () => {
    const { work } = made('one');
    const read = workSchema.parse({ ...work, changes: { start: 5, sparkle: 'on' }, form: 'hologram' });
    expect(read).toMatchObject({ changes: { start: 5 }, form: 'responsive' });
    expect(workSchema.safeParse({ ...work, changes: { start: {} } }).success).toBe(false);
  });
});

describe('saving by itself', () => {
  test('keeps the last change of a work that is left in the same moment', async () => {
    const store = storeWithWorld();
    startAutosave(store);
    store.dispatch(broughtIn(LINK));
    await vi.waitFor(async () => expect(await listEmbeds()).toHaveLength(1));
    const first = store.getState().bench.present.id;
    store.dispatch(changed({ change: { start: 31 } }));
    store.dispatch(broughtIn(LINK.replace('k7wq2m9d', 'f3rryday')));
    await vi.waitFor(async () => expect(await listEmbeds()).toHaveLength(2));
    expect((await findEmbed(first))!.work.changes).toEqual({ start: 31 });
  });

  test('writes nothing when only what it is made for is read anew', async () => {
    const store = storeWithWorld();
    startAutosave(store);
    store.dispatch(broughtIn(LINK));
    await vi.waitFor(async () => expect(await listEmbeds()).toHaveLength(1));
    const before = await listEmbeds();
    store.dispatch(ownSitesRead(readSites(WRITTEN_ORIGIN)));
    await new Promise((done) => setTimeout(done, 250));
    expect(await listEmbeds()).toEqual(before);
  });

  test('keeps the last of many changes, and leaves an untouched example; the title follows', async () => {
    const store = storeWithWorld();
    startAutosave(store);
    store.dispatch(opened({ ...emptyWork('', 'example'), text: LINK }));
    await new Promise((done) => setTimeout(done, 250));
    expect(await listEmbeds()).toEqual([]);
    for (let start = 1; start <= 31; start++) store.dispatch(changed({ change: { start } }));
    await vi.waitFor(async () => expect((await findEmbed('example'))?.work.changes).toEqual({ start: 31 }));
    store.dispatch(hostSays({ title: 'Sluice' }));
    await vi.waitFor(async () => expect((await findEmbed('example'))?.title).toBe('Sluice'));
  });
});

describe('a store without room', () => {
  const full = Object.assign(new Error('QuotaExceededError: no room'), { name: 'QuotaExceededError' });

  test('loses nothing that was left behind: it waits, is told, and is written when there is room', async () => {
    const store = storeWithWorld();
    const put = vi.spyOn(database.embeds, 'put').mockImplementation(() => Promise.reject(full) as never);
    startAutosave(store, { postMessage: () => undefined } as unknown as BroadcastChannel);
    const ids: string[] = [];
    for (const [i, text] of [LINK, `${LINK}?at=3`, `${LINK}?at=9`].entries()) {
      store.dispatch(broughtIn(text));
      store.dispatch(changed({ change: { title: `Title ${i}` } }));
      ids.push(store.getState().bench.present.id);
      await vi.waitFor(() => expect(store.getState().view.unwritten).toHaveLength(i + 1), 5000);
    }
    expect(store.getState().view).toMatchObject({ storage: 'full' });
    expect(
      store
        .getState()
        .view.unwritten.map(({ id }) => id)
        .sort(),
    ).toEqual([...ids].sort());
    put.mockRestore();
    await vi.waitFor(() => expect(store.getState().view).toMatchObject({ storage: 'works', unwritten: [] }), 8000);
    for (const [i, id] of ids.entries()) expect(await findEmbed(id)).toMatchObject({ title: `Title ${i}` });
  });
});

/** All that is kept, as the Shelf is shown it. */
const stock = (): Promise<Stock> =>
  new Promise((done, fail) => {
    const leave = watchEmbeds((found) => {
      if (!found.whole) return;
      done(found);
      leave();
    }, fail);
  });

describe('what is kept and cannot be read', () => {
  test('is told, left as it is, and the last good one opens', async () => {
    await saveEmbed(made('good'), 0, 1000);
    const wrong = { ...made('bad'), made: 1, changed: 5000, work: { ...made('bad').work, changes: { autoplay: 'perhaps' } } };
    await database.embeds.put(wrong as never);
    expect(await latestEmbed()).toMatchObject({ id: 'good' });
    expect(await stock()).toMatchObject({ all: 2, embeds: [{ id: 'good' }], unreadable: [{ id: 'bad' }] });
    await removeUnreadable();
    expect(await stock()).toMatchObject({ all: 1, embeds: [{ id: 'good' }], unreadable: [] });
  });
});

describe('two windows with the same embed', () => {
  const windows = (): [BroadcastChannel, BroadcastChannel] => [new BroadcastChannel('two'), new BroadcastChannel('two')];
  const open = [] as BroadcastChannel[];
  afterEach(() => open.splice(0).forEach((channel) => channel.close()));

  async function pair(): Promise<[Store, Store]> {
    await saveEmbed(made('one'), 0, 1000);
    const stores = [storeWithWorld(), storeWithWorld()] as [Store, Store];
    windows().forEach((channel, i) => {
      open.push(channel);
      startAutosave(stores[i]!, channel);
      stores[i]!.dispatch(opened(made('one').work, 1));
    });
    return stores;
  }

  test('follow each other, and each goes on from what the other did', async () => {
    const [one, other] = await pair();
    one.dispatch(changed({ change: { start: 5 } }));
    await vi.waitFor(() => expect(other.getState().bench.present.changes).toEqual({ start: 5 }));
    other.dispatch(changed({ change: { mute: 'on' } }));
    await vi.waitFor(() => expect(one.getState().bench.present.changes).toEqual({ start: 5, mute: 'on' }));
    expect(await listEmbeds()).toHaveLength(1);
  });

  test('follow the Shelf too', async () => {
    await saveEmbed(made('one'), 0, 1000);
    const store = storeWithWorld();
    open.push(new BroadcastChannel(WRITES));
    startAutosave(store, open[0]);
    store.dispatch(opened(made('one').work, 1));
    const { work } = made('one');
    await replaceWorks([made('one', { work: { ...work, changes: { start: 7 } } })], 2000);
    await vi.waitFor(() => expect(store.getState().bench.present.changes).toEqual({ start: 7 }));
    store.dispatch(changed({ change: { mute: 'on' } }));
    await vi.waitFor(async () => expect((await findEmbed('one'))!.work.changes).toEqual({ start: 7, mute: 'on' }));
  });

  test('that change it at once both keep what they did', async () => {
    const [one, other] = await pair();
    one.dispatch(changed({ change: { start: 5 } }));
    other.dispatch(changed({ change: { start: 9 } }));
    await vi.waitFor(async () => {
      const starts = (await listEmbeds()).map(({ work }) => work.changes.start);
      expect(starts.sort()).toEqual([5, 9]);
    });
    expect([one, other].filter((store) => store.getState().view.notice === 'forked')).toHaveLength(1);
  });

  test('a code that is taken is kept as a version, with what it was made of', async () => {
    const [one] = await pair();
    one.dispatch(changed({ change: { start: 5 } }));
    one.dispatch(kept({ code: 'the code', work: one.getState().bench.present }));
    await vi.waitFor(async () =>
      expect(await listVersions('one')).toMatchObject([{ code: 'the code', work: { changes: { start: 5 } } }]),
    );
    expect((await findEmbed('one'))!.stage).toBe('ready');
  });
});

describe('what the screen is computed from', () => {
  test('the embed of what was brought in, with its own title laid in', () => {
    const store = storeWithWorld();
    store.dispatch(broughtIn(`${LINK}?at=9s`));
    expect(selectEmbed(store.getState())!.findings.map((f) => f.code)).toEqual(['titleMissing']);
    store.dispatch(hostSays({ title: 'Sluice', ratio: '4:3' }));
    const embed = selectEmbed(store.getState())!;
    expect(embed.settings).toEqual({ title: 'Sluice', start: 9 });
    expect(embed.code.text).toContain('aspect-ratio:4/3');
    expect(embed.findings).toEqual([]);
  });

  test('a setting taken back is not sent, though the link asks for it', () => {
    expect(settingsWith({ start: 9 }, { start: null }, { title: 'T' })).toEqual({ title: 'T' });
    expect(settingsWith({ title: 'own' }, {}, { title: 'T' })).toEqual({ title: 'own' });
  });

  test('of several candidates the first usable one, or the one chosen', () => {
    const store = storeWithWorld();
    store.dispatch(broughtIn(`javascript:x and ${LINK} and http://lanternreel.localhost:4600/see/f3rryday`));
    expect(selectFound(store.getState())).toHaveLength(3);
    expect(selectRecognised(store.getState()).item?.id).toBe('k7wq2m9d');
  });

  test('the preview shows a frame, whatever form is taken', () => {
    const store = storeWithWorld();
    store.dispatch(opened({ ...emptyWork('mill', 'x'), text: LINK, form: 'link' }));
    expect(selectEmbed(store.getState())!.code.text).toBe(LINK);
    expect(selectPreviewCode(store.getState())).toContain('<iframe');
  });
});

describe('a Shelf of very many', () => {
  test('shows the last changed first, then all of them once, and what changes later', async () => {
    const row = (i: number) => ({ ...made(`many-${i}`), made: 1, changed: i });
    await database.embeds.bulkPut(Array.from({ length: 1000 }, (_, i) => row(i)) as never);
    const shown: Stock[] = [];
    const leave = watchEmbeds(
      (found) => shown.push(found),
      () => expect.unreachable(),
    );
    await vi.waitFor(() => expect(shown.at(-1)?.whole).toBe(true));
    expect(shown.map(({ all, whole, embeds }) => [all, whole, embeds.length, embeds[0]!.id])).toEqual([
      [1000, false, 60, 'many-999'],
      [1000, true, 1000, 'many-999'],
    ]);
    await removeEmbeds(['many-999']);
    await vi.waitFor(() =>
      expect(shown.at(-1)).toMatchObject({ all: 999, embeds: expect.objectContaining({ length: 999 }) as never }),
    );
    leave();
  });
});

describe('what another window changes of one’s own', () => {
  test('comes into this one: cards, sites and house styles', async () => {
    const store = makeStore();
    followOwn(store);
    const card = loadCards(readCardFiles(WRITTEN_ORIGIN)).cards[0]!;
    const site = { ...readSites(WRITTEN_ORIGIN)[0]!, name: 'Another name' };
    await database.cards.put(card);
    await database.sites.put(site);
    await database.styles.put(emptyStyle(site.id));
    await vi.waitFor(() => {
      const { ownCards, ownSites, styles } = store.getState().world;
      expect(ownCards.map(({ id }) => id)).toEqual([card.id]);
      expect(ownSites.map(({ name }) => name)).toEqual(['Another name']);
      expect(Object.keys(styles)).toEqual([site.id]);
    });
    await database.cards.clear();
    await vi.waitFor(() => expect(store.getState().world.ownCards).toEqual([]));
    await Promise.all([database.sites.clear(), database.styles.clear()]);
  });
});

describe('a store that does not open', () => {
  afterEach(async () => {
    vi.useRealTimers();
    vi.restoreAllMocks();
    await database.open();
  });

  test('since a newer Refenestra wants it, is told', () => {
    const told: string[] = [];
    watchOpening((trouble) => told.push(trouble));
    database.on('versionchange').fire({ newVersion: 99 });
    database.on('blocked').fire({});
    expect(told).toEqual(['blocked', 'blocked']);
  });

  test('since it never answers, is told after a while', () => {
    vi.useFakeTimers();
    vi.spyOn(database, 'open').mockReturnValue(new Promise(() => undefined) as never);
    const told: string[] = [];
    watchOpening((trouble) => told.push(trouble));
    vi.advanceTimersByTime(9000);
    expect(told).toEqual([]);
    vi.advanceTimersByTime(2000);
    expect(told).toEqual(['silent']);
  });
});
