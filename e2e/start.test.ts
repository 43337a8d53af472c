import { spawn, spawnSync } from 'node:child_process';
import { once } from 'node:events';
import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import { text } from 'node:stream/consumers';
import { gzipSync } from 'node:zlib';
import { expect, test } from 'vitest';
import { startServer } from './driver.ts';

const start = join(import.meta.dirname, '../scripts/start.mjs');
const run = (env: Record<string, string>) =>
  spawnSync(process.execPath, [start, 'server'], { env: { ...process.env, ...env }, encoding: 'utf8', timeout: 50_000 });

test('a taken port is said plainly, with what to do', async () => {
  const first = await startServer();
  const { status, stderr } = run({ PORT: String(first.port) });
  await first.stop();
  expect(status).toBe(1);
  expect(stderr).toContain(
    `Port ${first.port} is taken by another program. Stop that one, or choose another port: PORT=${first.port + 1} npm start`,
  );
});

test('a port that is none is said plainly', () => {
  const { status, stderr } = run({ PORT: 'mill' });
  expect([status, stderr.includes('PORT is “mill”, which cannot be: it is a number from 1 to 65535, such as 4700.')]).toEqual([
    2,
    true,
  ]);
});

test('it says in one line where it is, and stops cleanly', async () => {
  const { port, stop } = await startServer();
  await stop();
  const server = spawn(process.execPath, [start, 'server'], {
    env: { ...process.env, PORT: String(port) },
    stdio: ['ignore', 'pipe', 'inherit'],
  });
  const said = text(server.stdout);
  await once(server.stdout, 'data');
  expect((await fetch(`http://localhost:${port}/api/health`)).status).toBe(200);
  server.kill('SIGTERM');
  const [status] = (await once(server, 'close')) as [number];
  expect([status, await said]).toEqual([0, `Refenestra is at http://localhost:${port}\n`]);
});

test('the first load of the Bench brings at most 370 kB of JavaScript, gzipped', () => {
  const built = join(import.meta.dirname, '../dist/web');
  const page = readFileSync(join(built, 'index.html'), 'utf8');
  const scripts = [...page.matchAll(/(?:src|href)="(\/assets\/[^"]+\.js)"/g)].map(([, path]) => readFileSync(join(built, path!)));
  expect(scripts.length).toBeGreaterThan(1);
  expect(scripts.reduce((bytes, script) => bytes + gzipSync(script).length, 0)).toBeLessThanOrEqual(370_000);
});
