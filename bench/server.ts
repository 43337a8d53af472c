import { spawnSync } from 'node:child_process';
import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import { Agent, request } from 'undici';
import { startServer } from '../e2e/driver.ts';
import { fastest } from './fastest.ts';
import { line } from './line.ts';
import { shares } from './shares.ts';

/** The server's main asset and its questions to hosts, and the command line as a process of its own. */
const root = join(import.meta.dirname, '..');
const server = await startServer();
const agent = new Agent({
  connections: 8,
  connect: { lookup: (_, __, done) => done(null, [{ address: '127.0.0.1', family: 4 }]) },
});
const ask = (path: string, options: Parameters<typeof request>[1] = {}) =>
  request(server.address + path, { dispatcher: agent, ...options });

/** Milliseconds of a processor that the server has used (proc(5), `/proc/[pid]/stat`: user and system time, in ticks of 10 ms). */
function spent(): number {
  const fields = readFileSync(`/proc/${server.pid}/stat`, 'utf8').split(') ')[1]!.split(' ');
  return (Number(fields[11]) + Number(fields[12])) * 10;
}

const page = await (await ask('/')).body.text();
const [, asset] = /src="(\/assets\/[^"]+\.js)"/.exec(page)!;
const times = async (count: number, one: () => Promise<unknown>): Promise<number> => {
  const from = performance.now();
  await Promise.all(
    Array.from({ length: 8 }, async () => {
      for (let i = 0; i < count / 8; i++) await one();
    }),
  );
  return (performance.now() - from) / 1000;
};
const take = async () => (await ask(asset!, { headers: { 'accept-encoding': 'br' } })).body.dump({ limit: 1e8 });
await times(80, take);
const before = spent();
await times(800, take);
line('main asset, processor time a request', { figure: (spent() - before) / 800, most: 2, unit: 'ms' });

const link = `http://lanternreel.localhost:${server.port}/see/k7wq2m9d`;
const body = JSON.stringify({ url: link });
const question = async () => {
  const { statusCode, body: answer } = await ask('/api/resolve', {
    method: 'POST',
    headers: { 'content-type': 'application/json' },
    body,
  });
  await answer.dump();
  if (statusCode !== 200) throw new Error(`resolve answered ${statusCode}`);
};
await question();
line('questions that are kept, a second', { figure: 4000 / (await times(4000, question)), least: 1000, unit: '' });

const run = (...args: string[]): void => {
  const { status } = spawnSync(process.execPath, args, { cwd: root, stdio: 'ignore' });
  if (status !== 0) throw new Error(`${args.join(' ')} ended with ${status}`);
};
/** A process; one that loads the command line; one that makes a code; the same by the command for it. The fastest of each, in turns. */
const [bare, loaded, made, whole] = fastest(
  21,
  ...[
    ['-e', '0'],
    ['dist/node/cli.js', '--help'],
    ['dist/node/cli.js', 'embed', link],
    ['scripts/cli.mjs', 'embed', link],
  ].map((args) => () => run(...args)),
) as [number, number, number, number];
line('one code by the command line, against an empty process', {
  figure: whole / bare,
  most: 3,
  unit: '×',
  note: `${whole.toFixed(0)} ms; ${bare.toFixed(0)} ms; ${shares({
    'the process': bare,
    'modules loaded': loaded - bare,
    'cards read, the code made': made - loaded,
    'whether it is built': whole - made,
  })}`,
});
await agent.close();
await server.stop();
