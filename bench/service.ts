import autocannon from 'autocannon';
import { spawn } from 'node:child_process';
import { once } from 'node:events';
import { readdirSync, readFileSync } from 'node:fs';
import { join } from 'node:path';
import { freePort, waitFor } from '../e2e/driver.ts';
import { manyLinks, startTogether } from '../e2e/together.ts';
import { line } from './line.ts';

/** The built service under load, against loopback: what it answers a second, how it stands five minutes of it, and its queue. */
const SECONDS = 5;
const SOAK = Number(process.env.SOAK ?? 300);

interface Server {
  address: string;
  pid: number;
  stop: () => Promise<unknown>;
}

async function startBuilt(): Promise<Server> {
  const port = await freePort();
  const server = spawn(process.execPath, [join(import.meta.dirname, '../dist/node/server.js')], {
    env: { ...process.env, PORT: String(port), LOG: 'silent', ASK: 'standins', LIMIT: '0' },
    stdio: ['ignore', 'pipe', 'inherit'],
  });
  await once(server.stdout, 'data');
  const stop = (): Promise<unknown> => {
    const closed = once(server, 'close');
    server.kill('SIGTERM');
    return closed;
  };
  return { address: `http://localhost:${port}`, pid: server.pid!, stop };
}

type Question = Pick<autocannon.Options, 'method' | 'headers' | 'body'> & { path: string };

const asJson = (path: string, body: object): Question => ({
  path,
  method: 'POST',
  headers: { 'Content-Type': 'application/json' },
  body: JSON.stringify(body),
});

async function questionsFor({ address }: Server): Promise<Record<string, Question>> {
  const link = `${address.replace('://', '://lanternreel.')}/see/k7wq2m9d`;
  const page = await (await fetch(`${address}/`)).text();
  const [, asset] = /src="(\/assets\/[^"]+\.js)"/.exec(page)!;
  return {
    page: { path: '/' },
    asset: { path: asset!, headers: { 'Accept-Encoding': 'br' } },
    '/oembed': { path: `/oembed?${new URLSearchParams({ url: link, site: 'mill' }).toString()}` },
    '/api/embed': asJson('/api/embed', { text: link, settings: { start: 42, mute: 'on' }, site: 'mill' }),
    'resolve, kept': asJson('/api/resolve', { url: link }),
  };
}

const load = ({ address }: Server, { path, ...question }: Question, duration: number): Promise<autocannon.Result> =>
  autocannon({ url: address + path, connections: 20, duration, ...question });

const one = await startBuilt();
const other = await startBuilt();
const [questions, same] = [await questionsFor(one), await questionsFor(other)];
for (const [name, question] of Object.entries(questions)) {
  const { requests, latency, non2xx } = await load(one, question, SECONDS);
  const both = await Promise.all([load(one, question, SECONDS), load(other, same[name]!, SECONDS)]);
  const together = both.reduce((sum, result) => sum + result.requests.average, 0);
  if (non2xx > 0) throw new Error(`${name}: ${non2xx} answers were refusals`);
  console.log(
    `${name.padEnd(14)} one process ${Math.round(requests.average)}/s, p99 ${latency.p99} ms; two ${Math.round(together)}/s (${(together / requests.average).toFixed(2)} ×)`,
  );
}
await other.stop();

/** Megabytes in memory and files open (proc(5)). */
function state(pid: number): { memory: number; files: number } {
  const pages = Number(readFileSync(`/proc/${pid}/statm`, 'utf8').split(' ')[1]);
  return { memory: (pages * 4096) / 1e6, files: readdirSync(`/proc/${pid}/fd`).length };
}

const mixed = Object.values(questions);
const seen: { memory: number; files: number }[] = [];
for (const until = Date.now() + SOAK * 1000; Date.now() < until;) {
  for (const question of mixed) await load(one, question, 2);
  seen.push(state(one.pid));
}
await one.stop();
const third = Math.max(1, Math.floor(seen.length / 3));
const mean = (some: typeof seen, of: 'memory' | 'files'): number => some.reduce((sum, now) => sum + now[of], 0) / some.length;
const [early, late] = [seen.slice(third, 2 * third), seen.slice(-third)];
line(`memory, last third of ${SOAK} s under load against the second`, {
  figure: mean(late, 'memory') / mean(early, 'memory'),
  most: 1.1,
  unit: '×',
});
line(`open files, likewise`, { figure: mean(late, 'files') / mean(early, 'files'), most: 1.1, unit: '×' });
console.log(`(memory ${Math.round(mean(late, 'memory'))} MB, ${Math.round(mean(late, 'files'))} files)`);

const MANY = 100_000;
const team = await startTogether();
const began = performance.now();
const links = manyLinks(team.servers[0].port, MANY).split('\n');
/** One job takes a text of five million characters at most. */
const jobs: { id: string; parts: number }[] = [];
for (const some of [links.slice(0, MANY / 2), links.slice(MANY / 2)]) {
  const ordered = await team.ask(0, '/api/jobs', {
    method: 'POST',
    body: { kind: 'batch', text: some.join('\n'), site: 'mill' },
  });
  jobs.push((await ordered.json()) as { id: string; parts: number });
}
const parts = jobs.reduce((sum, job) => sum + job.parts, 0);
const made = async (): Promise<number> => {
  const answers = await Promise.all(jobs.map(({ id }) => team.ask(1, `/api/jobs/${id}`)));
  const told = await Promise.all(answers.map((answer) => (answer.ok ? answer.json() : { made: 0 }) as Promise<{ made: number }>));
  return told.reduce((sum, job) => sum + job.made, 0);
};
await waitFor('half of it', async () => (await made()) >= parts / 2, 600_000);
team.workers[0]!.kill('SIGKILL');
await team.redis.restart(1000);
await waitFor('all of it', async () => (await made()) >= parts, 600_000);
const seconds = (performance.now() - began) / 1000;
const rows: string[] = [];
for (const { id } of jobs) {
  const lines = (await (await team.ask(0, `/api/jobs/${id}/rows`)).text()).trim().split('\n');
  rows.push(...lines.map((text) => `${id} ${(JSON.parse(text) as { row: number }).row}`));
}
const numbers = new Set(rows);
console.log(
  `${MANY} links through the queue, two workers, one killed half way, Redis ended and started once: ${seconds.toFixed(1)} s, ${Math.round(MANY / seconds)}/s; ${MANY - numbers.size} lost, ${rows.length - numbers.size} twice`,
);
await team.stop();
