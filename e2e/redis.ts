import { spawn, type ChildProcess } from 'node:child_process';
import { once } from 'node:events';
import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { text } from 'node:stream/consumers';
import { freePort, waitFor } from './driver.ts';

export interface RunningRedis {
  url: string;
  /** Ends it at once, as by a power cut, and starts it again after so many milliseconds. */
  restart: (pause: number) => Promise<void>;
  kill: () => Promise<void>;
  stop: () => Promise<void>;
}

/** Debian's Redis on a free port, which writes each change to its disk, as `docs/deploy.md` says. */
export async function startRedis(): Promise<RunningRedis> {
  const [port, folder] = [await freePort(), mkdtempSync(join(tmpdir(), 'redis-'))];
  let redis: ChildProcess;
  const start = async (): Promise<void> => {
    const settings = [
      '--port',
      String(port),
      '--bind',
      '127.0.0.1',
      '--dir',
      folder,
      '--appendonly',
      'yes',
      '--appendfsync',
      'always',
    ];
    redis = spawn('redis-server', settings, { stdio: 'ignore' });
    const ping = async (): Promise<boolean> => {
      const asked = spawn('redis-cli', ['-p', String(port), 'ping'], { stdio: ['ignore', 'pipe', 'ignore'] });
      return (await text(asked.stdout)).startsWith('PONG');
    };
    await waitFor('Redis', ping, 20_000);
  };
  const kill = async (): Promise<void> => {
    if (redis.exitCode !== null || redis.signalCode !== null) return;
    const closed = once(redis, 'close');
    redis.kill('SIGKILL');
    await closed;
  };
  await start();
  return {
    url: `redis://127.0.0.1:${port}`,
    kill,
    restart: async (pause) => {
      await kill();
      await new Promise((done) => setTimeout(done, pause));
      await start();
    },
    stop: async () => {
      await kill();
      rmSync(folder, { recursive: true });
    },
  };
}
