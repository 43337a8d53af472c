import { afterEach, beforeEach, describe, expect, test, vi } from 'vitest';
import { selectReachedAt, selectSaid } from './answers.ts';
import { ONCE, server, whyRefused } from './server.ts';
import { makeStore } from './store.ts';

const LINK = 'https://media.example/see/k1a44';
const ASKED = { link: LINK, about: LINK, width: 720 };
const SAID = { facts: { title: 'Sluice' }, found: null, refused: null };
const { said, reached, feed, health } = server.endpoints;

const asked: Request[] = [];
let answers: (() => Response | Promise<Response>)[] = [];
beforeEach(() => {
  asked.length = 0;
  vi.useFakeTimers();
  vi.stubGlobal('fetch', (request: Request) => {
    asked.push(request);
    return Promise.resolve().then(() => (answers.length > 1 ? answers.shift()! : answers[0]!)());
  });
});
afterEach(() => {
  vi.useRealTimers();
  vi.unstubAllGlobals();
});
const json =
  (body: unknown, status = 200) =>
  () =>
    Response.json(body, { status });

describe('what a host says', () => {
  test('is asked for once, however many want it, and kept', async () => {
    answers = [json(SAID)];
    const store = makeStore();
    const ask = () => store.dispatch(said.initiate(ASKED, { subscribe: false }));
    await Promise.all([ask(), ask()]);
    await ask();
    expect(asked.length).toBe(1);
    expect(await asked[0]!.json()).toEqual({ url: LINK, maxwidth: 720 });
    expect(selectSaid(store.getState(), LINK)).toEqual(SAID);
  });

  test('is asked for again, twice at most, where the host was too slow', async () => {
    answers = [json({ ...SAID, refused: 'tooSlow' })];
    const store = makeStore();
    const asking = store.dispatch(said.initiate(ASKED, { subscribe: false }));
    await vi.advanceTimersByTimeAsync(1900);
    expect(asked.length).toBe(1);
    await vi.advanceTimersByTimeAsync(7000);
    await asking;
    expect(asked.length).toBe(3);
    expect(selectSaid(store.getState(), LINK)?.refused).toBe('tooSlow');
  });

  test('is not known while nobody could ask; an answer that is none counts as none', async () => {
    const store = makeStore();
    answers = [() => Promise.reject(new TypeError('nobody there'))];
    await store.dispatch(said.initiate(ASKED, { subscribe: false }));
    expect([selectSaid(store.getState(), LINK), store.getState().world.serverAnswers]).toEqual([undefined, false]);
    answers = [json({ facts: { title: 7 }, found: '<script>', refused: null })];
    await store.dispatch(said.initiate(ASKED, { subscribe: false }));
    expect(selectSaid(store.getState(), LINK)).toEqual({ facts: {}, found: null, refused: 'noAnswer' });
    // That a host gave nonsense says nothing of the server; that it answers at all does.
    answers = [json({ ok: true })];
    await store.dispatch(health.initiate(undefined, ONCE));
    expect(store.getState().world.serverAnswers).toBe(true);
  });
});

test('what visitors get is kept by address and site, and asked anew where it is wanted anew', async () => {
  const store = makeStore();
  const at = { url: 'https://media.example/f/1', site: 'https://site.example/' };
  answers = [json({ reached: [] })];
  await store.dispatch(reached.initiate(at, ONCE));
  await store.dispatch(reached.initiate(at, ONCE));
  expect(asked.length).toBe(2);
  expect(selectReachedAt(store.getState(), at.url, at.site)).toEqual([]);
  expect(selectReachedAt(store.getState(), at.url, 'https://other.example/')).toBeUndefined();
});

test('why something was refused is the code of its problem details', async () => {
  const store = makeStore();
  const whyOf = async (): Promise<string> => whyRefused((await store.dispatch(feed.initiate(LINK, ONCE))).error);
  answers = [json({ code: 'privateAddress' }, 403)];
  expect(await whyOf()).toBe('privateAddress');
  answers = [() => new Response('<html>', { status: 500 })];
  expect(await whyOf()).toBe('noAnswer');
  answers = [json({ text: 4 })];
  expect(await whyOf()).toBe('noAnswer');
  answers = [() => Promise.reject(new TypeError('nobody there'))];
  expect(await whyOf()).toBe('noServer');
});
