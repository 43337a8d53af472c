import fc from 'fast-check';
import { afterEach, beforeEach, expect, test, vi } from 'vitest';
import { askPolitely } from './askPolitely.ts';

/** How a host behaves at each time that it is asked for one link; after the last it answers. */
type Behaviour = 'answers' | 'slow' | 'refuses' | 'broken' | 'busy' | 'fails';

const said = (facts: object, refused: string | null): Response => Response.json({ facts, found: null, refused });
const RESPONSES: Record<Behaviour, () => Response> = {
  answers: () => said({ title: 'Sluice' }, null),
  slow: () => said({}, 'tooSlow'),
  refuses: () => said({}, 'notAllowed'),
  broken: () => new Response('<p>'),
  busy: () => new Response('', { status: 429, headers: { 'Retry-After': '2' } }),
  fails: () => new Response('', { status: 502 }),
};

/** A server before hosts that behave so, link by link; it counts what is open at the same time. */
function serve(behaviours: ReadonlyMap<string, readonly Behaviour[]>) {
  const asked: string[] = [];
  const open: string[] = [];
  const most = { host: 0, together: 0 };
  vi.stubGlobal('fetch', async (_: string, { body, signal }: { body: string; signal: AbortSignal }) => {
    signal.throwIfAborted();
    const { url } = JSON.parse(body) as { url: string };
    const { host } = new URL(url);
    const times = asked.filter((one) => one === url).length;
    asked.push(url);
    open.push(host);
    most.host = Math.max(most.host, open.filter((one) => one === host).length);
    most.together = Math.max(most.together, open.length);
    await new Promise((done) => {
      const timer = setTimeout(done, 20 + (url.length % 7) * 10);
      signal.addEventListener('abort', () => (clearTimeout(timer), done(null)));
    });
    open.splice(open.indexOf(host), 1);
    signal.throwIfAborted();
    return RESPONSES[behaviours.get(url)?.[times] ?? 'answers']();
  });
  return { asked, open, most };
}

beforeEach(() => {
  vi.useFakeTimers({ toFake: ['setTimeout', 'clearTimeout'] });
});
afterEach(() => {
  vi.useRealTimers();
  vi.unstubAllGlobals();
});

const link = fc
  .tuple(fc.constantFrom('lanternreel', 'earbrook', 'foliobarn', 'deckmoor', 'loopwick'), fc.nat(200))
  .map(([host, number]) => `http://${host}.localhost/${number}`);
const behaviour = fc.array(fc.constantFrom<Behaviour>('answers', 'slow', 'refuses', 'broken', 'busy', 'fails'), { maxLength: 4 });
const world = fc.uniqueArray(fc.tuple(link, behaviour), { selector: ([one]) => one, maxLength: 40 });

test('every link is answered once, few are asked at the same time, and none again without end', async () => {
  await fc.assert(
    fc.asyncProperty(world, async (given) => {
      const { asked, most } = serve(new Map(given));
      const answers = new Map<string, unknown>();
      const asking = { server: '', signal: new AbortController().signal, providers: [] };
      const all = askPolitely(
        given.map(([one]) => ({ link: one })),
        asking,
        (question, { facts }) => {
          expect(answers.has(question.link)).toBe(false);
          answers.set(question.link, facts);
        },
        (question) => answers.set(question.link, 'unasked'),
      );
      await vi.runAllTimersAsync();
      await all;
      expect([...answers.keys()].sort()).toEqual(given.map(([one]) => one).sort());
      expect(most.host).toBeLessThanOrEqual(2);
      expect(most.together).toBeLessThanOrEqual(6);
      for (const [one, how] of given) {
        const times = asked.filter((other) => other === one).length;
        // To be asked to wait is no answer, however often.
        expect(times).toBeLessThanOrEqual(3 + how.filter((kind) => kind === 'busy').length);
        if (how.length === 0) expect([times, answers.get(one)]).toEqual([1, { title: 'Sluice' }]);
        if (how[0] === 'slow' && how.length === 1) expect([times, answers.get(one)]).toEqual([2, { title: 'Sluice' }]);
        if (how[0] === 'refuses' || how[0] === 'broken')
          expect([times, answers.get(one)]).toEqual([1, how[0] === 'broken' ? 'unasked' : {}]);
      }
    }),
    { numRuns: 60 },
  );
});

test('they are asked in their order, as far as their hosts let it', async () => {
  const { asked } = serve(new Map());
  const links = [1, 2, 3, 4].map((n) => `http://lanternreel.localhost/${n}`).concat('http://earbrook.localhost/5');
  const all = askPolitely(
    links.map((one) => ({ link: one })),
    { server: '', signal: new AbortController().signal, providers: [] },
    () => undefined,
  );
  await vi.runAllTimersAsync();
  await all;
  expect(asked.map((one) => one.slice(-1)).join('')).toBe('12534');
});

test('called off, it asks and says nothing more', async () => {
  const { asked, open } = serve(new Map([['http://lanternreel.localhost/0', ['busy']]]));
  const calling = new AbortController();
  const answers: string[] = [];
  const links = Array.from({ length: 30 }, (_, n) => ({ link: `http://lanternreel.localhost/${n}` }));
  const all = askPolitely(links, { server: '', signal: calling.signal, providers: [] }, ({ link: one }) => answers.push(one));
  await vi.advanceTimersByTimeAsync(100);
  const before = [asked.length, answers.length];
  expect(before[1]).toBeGreaterThan(0);
  calling.abort();
  await all;
  await vi.runAllTimersAsync();
  expect([asked.length, answers.length, open.length]).toEqual([...before, 0]);
});
