import { afterEach, beforeEach, expect, test, vi } from 'vitest';
import type { Reached } from '../core/proof/reach/reached.ts';
import { askReach } from './askReach.ts';

beforeEach(() => void vi.useFakeTimers({ toFake: ['setTimeout', 'clearTimeout'] }));
afterEach(() => {
  vi.useRealTimers();
  vi.unstubAllGlobals();
});

/** A server that answers after a while; it counts what is open at the same time for each host. */
function serve(answer: (url: string, times: number) => Response) {
  const asked: string[] = [];
  const open: string[] = [];
  let most = 0;
  vi.stubGlobal('fetch', async (_: string, { body }: { body: string }) => {
    const { url, site } = JSON.parse(body) as { url: string; site: string };
    expect(site).toBe('https://tidemill.example');
    asked.push(url);
    open.push(new URL(url).host);
    most = Math.max(most, open.filter((one) => one === new URL(url).host).length);
    await new Promise((done) => setTimeout(done, 30));
    open.splice(open.indexOf(new URL(url).host), 1);
    return answer(url, asked.filter((one) => one === url).length);
  });
  return { asked, most: () => most };
}

async function ask(links: readonly string[], signal = new AbortController().signal) {
  const answers = new Map<string, readonly Reached[] | null>();
  const done = askReach(
    links.map((link) => ({ link })),
    { server: '', site: 'https://tidemill.example', signal },
    ({ link }, reached) => answers.set(link, reached),
  );
  await vi.runAllTimersAsync();
  await done;
  return answers;
}

test('each frame is asked for once, one at a time for each host, and again where the server asks to wait', async () => {
  const links = Array.from({ length: 12 }, (_, i) => `http://${i % 3 === 0 ? 'a' : 'b'}.example/${i}`);
  const server = serve((url, times) =>
    url.endsWith('/4') && times === 1
      ? new Response('', { status: 429, headers: { 'Retry-After': '1' } })
      : Response.json({ reached: [{ code: 'gone', status: 404 }] }),
  );
  const answers = await ask(links);
  expect(server.most()).toBe(1);
  expect(server.asked.filter((url) => !url.endsWith('/4')).sort()).toEqual(links.filter((url) => !url.endsWith('/4')).sort());
  expect(server.asked.filter((url) => url.endsWith('/4'))).toHaveLength(2);
  expect([...answers.values()]).toEqual(links.map(() => [{ code: 'gone', status: 404 }]));
});

test('what is no answer is told as none, and nothing is told once it is called off', async () => {
  serve((url) => (url.endsWith('/0') ? Response.json({ reached: 'yes' }) : new Response('', { status: 502 })));
  expect([...(await ask(['http://a.example/0', 'http://a.example/1'])).values()]).toEqual([null, null]);
  const off = new AbortController();
  off.abort();
  expect((await ask(['http://a.example/0'], off.signal)).size).toBe(0);
});
