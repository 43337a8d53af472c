import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import type { Browser, Page } from 'puppeteer-core';
import { afterAll, beforeAll } from 'vitest';
import { WRITTEN_PORT } from '../src/standins/world.ts';
import { launchShell } from './browser.ts';
import { find, goTo, newVisitor, startServer, type Running } from './driver.ts';

/** The server and a browser for all tests of a file: the engine alone, or the whole of it. */
export function useServerAndBrowser(launch: () => Promise<Browser> = launchShell): {
  server: Running;
  browser: Browser;
  host: (name: string) => string;
} {
  const shared = { host: (name: string) => `http://${name}.localhost:${shared.server.port}` } as ReturnType<
    typeof useServerAndBrowser
  >;
  beforeAll(async () => {
    [shared.server, shared.browser] = await Promise.all([startServer(), launch()]);
  });
  afterAll(async () => {
    await shared.browser.close();
    await shared.server.stop();
  });
  return shared;
}

/** Opens an address of the application as somebody who was never there, once something of it can be found. */
export const visitor =
  (world: ReturnType<typeof useServerAndBrowser>) =>
  async (path: string, there: readonly [role: string, name: string], work: (page: Page) => Promise<void>): Promise<void> => {
    const { context, page } = await newVisitor(world.browser);
    await goTo(page, world.server.address + path);
    await find(page, ...there);
    await work(page);
    await context.close();
  };

/** The first link of every item of the sample world, at the stand-ins of this port. */
export function demoLinks(port: number): string[] {
  const { items } = JSON.parse(readFileSync(join(import.meta.dirname, '../demo/items.json'), 'utf8')) as {
    items: { links: string[] }[];
  };
  return items.map(({ links }) => links[0]!.replace(`:${WRITTEN_PORT}`, `:${port}`));
}
