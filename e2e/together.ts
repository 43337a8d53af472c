import { spawn, type ChildProcess } from 'node:child_process';
import { once } from 'node:events';
import { join } from 'node:path';
import { freePort, startServer, type Running } from './driver.ts';
import { startRedis, type RunningRedis } from './redis.ts';

/** A service of two servers and two workers that share one Redis. */
export interface Team {
  redis: RunningRedis;
  servers: readonly [Running, Running];
  workers: readonly ChildProcess[];
  /** Where each worker says how it is. */
  watched: readonly number[];
  /** Asks one of the servers, by the name that both have. */
  ask: (which: 0 | 1, path: string, init?: { method?: string; body?: object }) => Promise<Response>;
  stop: () => Promise<void>;
}

export async function startTogether(more: NodeJS.ProcessEnv = {}): Promise<Team> {
  const redis = await startRedis();
  const port = await freePort();
  const env = { REDIS_URL: redis.url, PUBLIC_ORIGIN: `http://localhost:${port}`, ...more };
  const servers = [await startServer(port, env), await startServer(undefined, env)] as const;
  const watched = [await freePort(), await freePort()];
  const workers = watched.map((at) =>
    spawn(process.execPath, [join(import.meta.dirname, '../dist/node/work.js')], {
      env: { ...process.env, PORT: String(port), LOG: 'silent', ASK: 'standins', WATCH_PORT: String(at), ...env },
      stdio: ['ignore', 'pipe', 'inherit'],
    }),
  );
  await Promise.all(workers.map((worker) => once(worker.stdout, 'data')));
  return {
    redis,
    servers,
    workers,
    watched,
    ask: (which, path, { method = 'GET', body } = {}) =>
      fetch(`http://localhost:${servers[which].port}${path}`, {
        method,
        ...(body && { body: JSON.stringify(body), headers: { 'Content-Type': 'application/json' } }),
      }),
    stop: async () => {
      const ended = workers.filter(({ exitCode, signalCode }) => exitCode === null && signalCode === null);
      const closed = ended.map((worker) => once(worker, 'close'));
      ended.forEach((worker) => worker.kill('SIGTERM'));
      await Promise.all(closed);
      await Promise.all(servers.map(({ stop }) => stop()));
      await redis.stop();
    },
  };
}

/** A list of so many links of the sample world, each with a time of its own, so that none is like another. */
export const manyLinks = (port: number, count: number): string =>
  Array.from({ length: count }, (_, i) => `http://lanternreel.localhost:${port}/see/k7wq2m9d?at=${i}s`).join('\n');
