import lighthouse, { desktopConfig } from 'lighthouse';
import { launchBrowser } from '../e2e/browser.ts';
import { find, goTo, newVisitor, startServer } from '../e2e/driver.ts';
import type { Page } from 'puppeteer-core';
import { fillShelf } from './fillShelf.ts';
import { line } from './line.ts';
import { shares } from './shares.ts';

/** The first load of the Bench with an empty store, of the Shelf with 200 embeds, and of Batch, as Lighthouse's desktop measures them. */
const ROUNDS = 3;
const [server, browser] = await Promise.all([startServer(), launchBrowser()]);

interface Load {
  score: number;
  shift: number;
  /** Milliseconds. */
  largest: number;
  blocked: number;
  accessibility: number;
  practices: number;
  /** Bytes of JavaScript, as they come over the wire. */
  scripts: number;
  /** Milliseconds of the page's own thread, by what it did. */
  work: Record<string, number>;
}

/** What a visitor has from an earlier visit, without what the browser kept of the application itself. */
async function prepare(page: Page): Promise<void> {
  await goTo(page, `${server.address}/shelf`);
  await find(page, 'heading', 'Shelf');
  await fillShelf(page, 200, server.port);
  await goTo(page, 'about:blank');
  const devtools = await page.createCDPSession();
  await devtools.send('Network.clearBrowserCache');
  await devtools.send('Storage.clearDataForOrigin', { origin: server.address, storageTypes: 'service_workers,cache_storage' });
  await devtools.detach();
}

async function load(path: string, before?: (page: Page) => Promise<void>): Promise<Load> {
  const { page, context } = await newVisitor(browser, { width: 1350, height: 940 });
  await before?.(page);
  const result = await lighthouse(
    server.address + path,
    { onlyCategories: ['performance', 'accessibility', 'best-practices'], logLevel: 'error', disableStorageReset: true },
    desktopConfig,
    page,
  );
  await context.close();
  const { audits, categories } = result!.lhr;
  if (result!.lhr.runtimeError) throw new Error(`${path}: ${result!.lhr.runtimeError.message}`);
  const figure = (audit: string): number => audits[audit]!.numericValue!;
  const { items } = audits['network-requests']!.details as unknown as { items: { resourceType: string; transferSize: number }[] };
  // Absent where the page was at rest before it was looked at.
  const { items: groups = [] } = (audits['mainthread-work-breakdown']!.details ?? {}) as unknown as {
    items?: { groupLabel: string; duration: number }[];
  };
  return {
    work: Object.fromEntries(groups.map(({ groupLabel, duration }) => [groupLabel, duration])),
    score: categories.performance!.score! * 100,
    accessibility: categories.accessibility!.score! * 100,
    practices: categories['best-practices']!.score! * 100,
    shift: figure('cumulative-layout-shift'),
    largest: figure('largest-contentful-paint'),
    blocked: figure('total-blocking-time'),
    scripts: items.filter((one) => one.resourceType === 'Script').reduce((sum, one) => sum + one.transferSize, 0),
  };
}

const SCREENS = [
  { what: 'the Bench', path: '', before: undefined },
  { what: 'the Shelf with 200 embeds', path: '/shelf', before: prepare },
  { what: 'Batch', path: '/batch', before: undefined },
];
for (const { what, path, before } of SCREENS) {
  const loads: Load[] = [];
  for (let round = 0; round < ROUNDS; round++) loads.push(await load(path, before));
  const [best] = loads.toSorted((a, b) => b.score - a.score) as [Load];
  const note = `largest paint ${Math.round(best.largest)} ms, blocked ${Math.round(best.blocked)} ms; all rounds ${loads.map(({ score }) => Math.round(score)).join(', ')}; ${shares(best.work)}`;
  line(`first load of ${what}, Lighthouse desktop`, { figure: best.score, least: 95, unit: '', note });
  line('its accessibility', { figure: best.accessibility, least: 100, unit: '' });
  line('its best practices', { figure: best.practices, least: 100, unit: '' });
  line('its layout shift', { figure: best.shift, most: 0.05, unit: '' });
  line('its JavaScript, compressed', { figure: best.scripts / 1000, most: 500, unit: 'kB' });
}
await browser.close();
await server.stop();
