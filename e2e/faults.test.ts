import { spawn } from 'node:child_process';
import { once } from 'node:events';
import { openSync, readFileSync } from 'node:fs';
import { connect, type Socket } from 'node:net';
import { afterAll, beforeAll, describe, expect, test } from 'vitest';
import { freePort, serverProgram, startServer, waitFor, type Running } from './driver.ts';

/** As many as there may be, where this machine lets a process have fewer files open (proc(5)). */
const [, files = '1024'] = /^Max open files\s+(\d+)/m.exec(readFileSync('/proc/self/limits', 'utf8')) ?? [];
const IDLE = Math.min(10_000, Number(files) - 400);

describe('what a server stands', () => {
  let server: Running;
  beforeAll(async () => {
    server = await startServer(undefined, { LIMIT: '0' });
  });
  afterAll(() => server.stop());

  const open = (): Promise<Socket> =>
    new Promise((done, fail) => {
      const socket = connect(server.port, '127.0.0.1');
      socket.once('connect', () => done(socket)).once('error', fail);
    });
  const healthy = async (): Promise<boolean> => (await fetch(`${server.address}/api/health`)).ok;
  /** What comes back for some bytes, until the other side is done or half a second has passed. */
  const said = async (bytes: string): Promise<string> => {
    const socket = await open();
    let text = '';
    socket.on('data', (data: Buffer) => (text += data.toString('latin1')));
    socket.on('error', () => undefined);
    socket.write(bytes, 'latin1');
    await Promise.race([once(socket, 'close'), new Promise((done) => setTimeout(done, 500))]);
    socket.destroy();
    return text;
  };

  test('ten thousand connections on which nobody says anything', async () => {
    const idle: Socket[] = [];
    while (idle.length < IDLE) idle.push(...(await Promise.all(Array.from({ length: 100 }, open))));
    expect(await healthy()).toBe(true);
    expect((await fetch(`${server.address}/oembed?url=x`)).status).toBe(404);
    idle.forEach((socket) => socket.destroy());
  });

  test('thousands of requests that are none, each answered in words or closed', async () => {
    const head = `Host: localhost:${server.port}\r\n`;
    const body = (text: string): string => `Content-Type: application/json\r\nContent-Length: ${text.length}\r\n\r\n${text}`;
    const kinds = [
      'GET',
      '\u0016\u0003\u0001\u0002\u0000',
      `GET /%ff%fe HTTP/1.1\r\n${head}\r\n`,
      `GET /oembed?url=%E0%A4%A HTTP/1.1\r\n${head}\r\n`,
      `GET / HTTP/1.1\r\nHost: ${'x'.repeat(20_000)}\r\n\r\n`,
      `GET / HTTP/1.1\r\nX: ${'y'.repeat(40_000)}\r\n\r\n`,
      `POST /api/embed HTTP/1.1\r\n${head}${body('{"text":')}`,
      `POST /api/embed HTTP/1.1\r\n${head}${body('['.repeat(5000))}`,
      `POST /api/embed HTTP/1.1\r\n${head}${body('{"__proto__":{"text":"x"}}')}`,
      `POST /api/jobs HTTP/1.1\r\n${head}Transfer-Encoding: chunked\r\n\r\nzz\r\n`,
      `PUT /api/jobs/${'../'.repeat(200)} HTTP/1.1\r\n${head}\r\n`,
    ];
    for (let round = 0; round < 200; round++) {
      const answers = await Promise.all(
        kinds.map((kind) =>
          round < 2 ? said(kind) : open().then((s) => void s.on('error', () => undefined).end(kind, 'latin1')),
        ),
      );
      for (const answer of answers) if (answer) expect(answer).toMatch(/^HTTP\/1\.1 (?:[2-4]\d\d|503) /);
    }
    expect(await healthy()).toBe(true);
  });

  test('a host that never answers holds nobody else up', async () => {
    const silent = await freePort();
    const slow = fetch(`${server.address}/api/resolve`, {
      method: 'POST',
      headers: { 'Content-Type': 'application/json' },
      body: JSON.stringify({ url: `http://127.0.0.1:${silent}/x` }),
    });
    expect(await healthy()).toBe(true);
    expect(await (await slow).json()).toMatchObject({ refused: expect.any(String) as string });
  });
});

test('a log for which there is no room on the disk ends nothing', async () => {
  const port = await freePort();
  const full = openSync('/dev/full', 'w');
  const server = spawn(process.execPath, [serverProgram], {
    env: { ...process.env, PORT: String(port), LOG: 'info', ASK: 'standins' },
    stdio: ['ignore', full, full],
  });
  const health = () =>
    fetch(`http://localhost:${port}/api/health`).then(
      ({ ok }) => ok,
      () => false,
    );
  await waitFor('the server', health);
  for (let i = 0; i < 50; i++) expect(await health()).toBe(true);
  const closed = once(server, 'close');
  server.kill('SIGTERM');
  expect(await closed).toEqual([0, null]);
});
