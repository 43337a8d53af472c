import request from 'supertest';
import { describe, expect, test } from 'vitest';
import { LONGEST_TEXT } from '../../core/steps/read/read.ts';
import { quietServer } from '../testing.ts';
import { jobsInProcess } from './inProcess.ts';
import { orderSchema, partsOf, type JobTold, type Part } from './job.ts';

const LINK = 'http://lanternreel.localhost:4600/see/k7wq2m9d';
const order = (rows: number) => orderSchema.parse({ kind: 'batch', text: Array.from({ length: rows }, () => LINK).join('\n') });
const lines = async (rows: Iterable<object> | AsyncIterable<object>): Promise<object[]> => {
  const all: object[] = [];
  for await (const row of rows) all.push(row);
  return all;
};
const firstOf = (part: Part): number => (part.kind === 'batch' ? part.some.first : -1);

describe('jobs of a process that is alone', () => {
  test('are cut into parts, and give their rows in order, each once', async () => {
    const jobs = jobsInProcess((part) => [{ first: firstOf(part) }]);
    const { id, parts } = await jobs.add(order(1700));
    expect(parts).toBe(4);
    await expect.poll(async () => (await jobs.get(id))!.state).toBe('done');
    expect(await lines(jobs.rows(id))).toEqual([0, 500, 1000, 1500].map((first) => ({ first })));
  });

  test('a part is tried three times; what failed is done again by retry, and nothing else', async () => {
    const tried = new Map<number, number>();
    let broken = true;
    const jobs = jobsInProcess((part) => {
      tried.set(firstOf(part), (tried.get(firstOf(part)) ?? 0) + 1);
      if (broken && firstOf(part) === 500) throw new Error('no room');
      return [{}];
    });
    const { id } = await jobs.add(order(1200));
    await expect.poll(async () => (await jobs.get(id))!.state).toBe('failed');
    expect(await jobs.get(id)).toMatchObject({ made: 2, failed: 1, why: 'no room' });
    broken = false;
    await jobs.retry(id);
    await expect.poll(async () => (await jobs.get(id))!.state).toBe('done');
    expect([...tried]).toEqual([
      [0, 1],
      [500, 4],
      [1000, 1],
    ]);
  });

  test('one that is cancelled makes no further part, until it is asked to', async () => {
    const begun: (() => void)[] = [];
    const jobs = jobsInProcess(() => new Promise((done) => begun.push(() => done([{}]))));
    const { id } = await jobs.add(order(1200));
    await expect.poll(() => begun.length).toBe(1);
    await jobs.cancel(id);
    begun[0]!();
    await expect.poll(async () => (await jobs.get(id))!).toMatchObject({ state: 'cancelled', made: 1 });
    await jobs.retry(id);
    for (const next of [1, 2]) {
      await expect.poll(() => begun.length).toBe(next + 1);
      begun[next]!();
    }
    await expect.poll(async () => (await jobs.get(id))!.state).toBe('done');
  });

  test('a table keeps its head in every part', () => {
    const rows = Array.from({ length: 600 }, (_, i) => `${LINK},Title ${i}`);
    const parts = partsOf(orderSchema.parse({ kind: 'batch', text: ['link,title', ...rows].join('\n') }));
    expect(parts).toHaveLength(2);
    expect(parts.map((part) => part.kind === 'batch' && part.some.roles)).toEqual([
      ['link', 'title'],
      ['link', 'title'],
    ]);
  });
});

describe('over HTTP', () => {
  const server = quietServer({ API_KEYS: 'k1' });
  const send = (method: 'get' | 'post' | 'delete', path: string, key = 'k1') =>
    request(server)[method](path).set('Host', 'localhost:4600').set('Authorization', `Bearer ${key}`);

  test('a job is ordered, followed, and its rows taken', async () => {
    const text = `link,title\n${LINK},Sluice\nno link,\n`;
    const answer = await send('post', '/api/jobs').send({ kind: 'batch', title: 'Two rows', text, site: 'mill' });
    expect(answer.status).toBe(202);
    const path = answer.headers.location!;
    await expect.poll(async () => ((await send('get', path)).body as JobTold).state).toBe('done');
    const rows = (await send('get', `${path}/rows`)).text
      .trim()
      .split('\n')
      .map((line) => JSON.parse(line) as { state: string });
    expect(rows).toMatchObject([
      { row: 1, state: 'done', title: 'Sluice' },
      { row: 2, state: 'person', code: '' },
    ]);
    expect((await send('get', '/api/jobs')).body).toMatchObject([{ title: 'Two rows', state: 'done' }]);
  });

  test.each([
    ['post', '/api/jobs', {}, 400],
    ['post', '/api/jobs', { kind: 'batch', text: LINK, site: 'nobody' }, 422],
    ['post', '/api/jobs', { kind: 'sweep', url: 'file:///etc/passwd' }, 400],
    ['post', '/api/jobs', { kind: 'batch', text: 'x'.repeat(LONGEST_TEXT + 1) }, 400],
    ['get', '/api/jobs/none', undefined, 404],
    ['delete', '/api/jobs/none', undefined, 404],
    ['post', '/api/jobs/none/retry', {}, 404],
  ] as const)('%s %s, case %#, is told', async (method, path, body, status) => {
    const answer = await send(method, path).send(body);
    expect([answer.status, answer.type]).toEqual([status, 'application/problem+json']);
  });

  test('nobody sees jobs without a key', async () => expect((await send('get', '/api/jobs', 'no')).status).toBe(401));
});
