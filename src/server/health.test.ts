import { readdirSync } from 'node:fs';
import { join } from 'node:path';
import { pino } from 'pino';
import request from 'supertest';
import { expect, test } from 'vitest';
import { readConfig } from './config.ts';
import { createServer } from './server.ts';
import { startService } from './service.ts';

const SHIPPED = readdirSync(join(import.meta.dirname, '../../demo/hosts')).length;
const service = startService(readConfig({ ASK: 'standins', API_KEYS: 'k1' }), pino({ level: 'silent' }));
const server = createServer(service);
const get = (path: string, headers: Record<string, string> = {}) =>
  request(server)
    .get(path)
    .set({ Host: 'localhost:4600', ...headers });

test('alive under every name, ready until it is about to end', async () => {
  expect((await get('/api/health/live', { Host: '10.0.0.7:4600' })).status).toBe(200);
  expect((await get('/api/health/ready')).body).toMatchObject({ status: 'ready', cards: SHIPPED, shared: 'alone' });
  service.stopping = true;
  expect((await get('/api/health/ready')).status).toBe(503);
  expect((await get('/api/health/live')).status).toBe(200);
  service.stopping = false;
});

test('what was counted is for this machine, and for who has a key', async () => {
  await get('/oembed?url=nothing');
  const { text, type } = await get('/metrics');
  expect(type).toBe('text/plain');
  expect(text).toMatch(/refenestra_request_seconds_count\{method="GET",kind="oembed",status="404"\} 1/);
  const throughProxy = { 'X-Forwarded-For': '203.0.113.9' };
  expect((await get('/metrics', throughProxy)).status).toBe(404);
  expect((await get('/metrics', { ...throughProxy, Authorization: 'Bearer k1' })).status).toBe(200);
});

test('a request has the name that it came with, or one of its own', async () => {
  expect((await get('/api/health', { 'X-Request-Id': 'from-the-proxy' })).headers['x-request-id']).toBe('from-the-proxy');
  expect((await get('/api/health', { 'X-Request-Id': 'a b' })).headers['x-request-id']).toMatch(/^[0-9a-f-]{36}$/);
});
