import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import type { Browser } from 'puppeteer-core';
import { afterAll, beforeAll } from 'vitest';
import { WRITTEN_PORT } from '../src/standins/world.ts';
import { launchBrowser } from './browser.ts';
import { startServer, type Running } from './driver.ts';

/** The server and a browser for all tests of a file. */
export function useServerAndBrowser(): { server: Running; browser: Browser; host: (name: string) => string } {
  const shared = { host: (name: string) => `http://${name}.localhost:${shared.server.port}` } as ReturnType<
    typeof useServerAndBrowser
  >;
  beforeAll(async () => {
    [shared.server, shared.browser] = await Promise.all([startServer(), launchBrowser()]);
  });
  afterAll(async () => {
    await shared.browser.close();
    await shared.server.stop();
  });
  return shared;
}

/** The first link of every item of the sample world, at the stand-ins of this port. */
export function demoLinks(port: number): string[] {
  const { items } = JSON.parse(readFileSync(join(import.meta.dirname, '../demo/items.json'), 'utf8')) as {
    items: { links: string[] }[];
  };
  return items.map(({ links }) => links[0]!.replace(`:${WRITTEN_PORT}`, `:${port}`));
}
