import { request } from 'undici';
import { afterAll, beforeAll, describe, expect, test } from 'vitest';
import { waitFor } from './driver.ts';
import { manyLinks, startTogether, type Team } from './together.ts';

interface Told {
  id: string;
  state: string;
  parts: number;
  made: number;
}

/** What the sample site says of those who asked it; by its name, which Node does not look up. */
async function askedOf(port: number): Promise<{ paths: string[]; together: number }> {
  const { body } = await request(`http://127.0.0.1:${port}/asked`, { headers: { host: `tidemill.localhost:${port}` } });
  return (await body.json()) as { paths: string[]; together: number };
}

describe('two servers, two workers, one Redis', () => {
  let team: Team;
  beforeAll(async () => {
    team = await startTogether({ LIMIT: '60' });
  });
  afterAll(() => team.stop());

  const order = async (body: object): Promise<Told> => {
    const answer = await team.ask(0, '/api/jobs', { method: 'POST', body });
    expect(answer.status).toBe(202);
    return (await answer.json()) as Told;
  };
  const told = async (id: string): Promise<Told | null> => {
    const answer = await team.ask(1, `/api/jobs/${id}`);
    return answer.ok ? ((await answer.json()) as Told) : null;
  };
  const doneOf = (id: string): Promise<Told> =>
    waitFor('the job', async () => {
      const now = await told(id);
      return now?.state === 'done' ? now : null;
    });

  test('what one has asked a host, the other knows', async () => {
    const url = `http://lanternreel.localhost:${team.servers[0].port}/see/l0wwalk3`;
    const resolve = (which: 0 | 1) =>
      team.ask(which, '/api/resolve', { method: 'POST', body: { url } }).then((answer) => answer.json());
    const first: unknown = await resolve(0);
    expect(first).toMatchObject({ facts: { title: 'A walk at low water' } });
    expect(await resolve(1)).toEqual(first);
    const metrics = await (await fetch(`http://127.0.0.1:${team.servers[1].port}/metrics`)).text();
    expect(metrics).toContain('refenestra_answers_total{kind="resolve",from="shared"} 1');
    expect(metrics).not.toContain('from="host"');
    for (const port of team.watched) {
      const ready: unknown = await (await fetch(`http://127.0.0.1:${port}/api/health/ready`)).json();
      expect(ready).toMatchObject({ status: 'ready', shared: 'there' });
      expect(await (await fetch(`http://127.0.0.1:${port}/metrics`)).text()).toContain('refenestra_jobs');
    }
  });

  test('a site is asked for one thing at a time, whoever asks', async () => {
    const site = `http://tidemill.localhost:${team.servers[0].port}`;
    const jobs = await Promise.all([1, 2].map(() => order({ kind: 'sweep', url: `${site}/`, most: 25 })));
    for (const { id } of jobs) await doneOf(id);
    const { paths, together } = await askedOf(team.servers[0].port);
    expect(paths.length).toBeGreaterThan(50);
    expect(together).toBe(1);
    const rows = await (await team.ask(1, `/api/jobs/${jobs[0]!.id}/rows`)).text();
    expect((JSON.parse(rows) as { embeds: unknown[] }).embeds.length).toBeGreaterThan(10);
  });

  test('nothing is lost and nothing made twice when a worker is killed and Redis ends and comes back', async () => {
    const { id, parts } = await order({
      kind: 'batch',
      title: 'Ten thousand',
      text: manyLinks(team.servers[0].port, 10_000),
      site: 'mill',
    });
    expect(parts).toBe(20);
    await waitFor('a part', async () => ((await told(id))?.made ?? 0) >= 2);
    team.workers[0]!.kill('SIGKILL');
    await team.redis.restart(1000);
    const { made } = await doneOf(id);
    expect(made).toBe(20);
    const rows = (await (await team.ask(0, `/api/jobs/${id}/rows`)).text()).trim().split('\n');
    const numbers = rows.map((line) => (JSON.parse(line) as { row: number }).row);
    expect(numbers).toEqual(Array.from({ length: 10_000 }, (_, i) => i + 1));
  });

  test('questions are counted over both', async () => {
    const ask = (which: 0 | 1) =>
      team.ask(which, '/api/read', { method: 'POST', body: { text: 'x' } }).then(({ status }) => status);
    const answers: number[] = [];
    for (let i = 0; i < 70; i++) answers.push(await ask((i % 2) as 0 | 1));
    expect(answers.filter((status) => status === 200).length).toBeLessThanOrEqual(60);
    expect(answers.slice(-4)).toEqual([429, 429, 429, 429]);
  });

  test('without Redis people are served, and jobs say in words that they cannot be', async () => {
    await team.redis.kill();
    await waitFor('that it is missed', async () => {
      const { shared } = (await (await team.ask(0, '/api/health/ready')).json()) as { shared: string };
      return shared === 'away';
    });
    expect((await team.ask(0, '/api/read', { method: 'POST', body: { text: 'x' } })).status).toBe(200);
    expect((await team.ask(0, '/')).status).toBe(200);
    const refused = await team.ask(0, '/api/jobs', { method: 'POST', body: { kind: 'batch', text: 'x' } });
    expect([refused.status, ((await refused.json()) as { code: string }).code]).toEqual([503, 'noQueue']);
  });
});
