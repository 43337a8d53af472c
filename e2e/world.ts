import type { Browser } from 'puppeteer-core';
import { afterAll, beforeAll } from 'vitest';
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
