import { readFileSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import type { Page } from 'puppeteer-core';
import { afterAll, beforeAll, expect, test } from 'vitest';
import { find, goTo, newVisitor, press, until, waitForText } from './driver.ts';
import { useServerAndBrowser } from './world.ts';

/**
 * Where the named parts of each main view stand, at each width. What moves them on purpose writes them anew:
 * `BOXES=write npx vitest run --project e2e e2e/boxes.test.ts`.
 */
const FILE = join(import.meta.dirname, 'boxes.json');
const WRITE = process.env.BOXES === 'write';
/** Pixels by which engines of other versions lay out text otherwise. */
const TOLERANCE = 4;

const VIEWS = {
  bench: ['', 'button', 'Copy the code'],
  shelf: ['/shelf', 'button', 'Clear the examples'],
  batch: ['/batch', 'button', 'Try an example'],
  sweep: ['/sweep', 'button', 'Try a sample site'],
  orders: ['/orders', 'button', 'New running order'],
  site: ['/sites/mill', 'heading', 'What its editor keeps'],
  hosts: ['/hosts', 'region', 'All hosts against all settings'],
  teach: ['/hosts/teach', 'textbox', 'Links and embed codes, in any order'],
  connect: ['/connect', 'heading', 'From a page editor'],
  help: ['/help', 'searchbox', 'Search the help'],
} as const;
const SIZES = [
  [390, 844],
  [1024, 700],
  [1280, 800],
  [1920, 1080],
] as const;

type Box = readonly [left: number, top: number, width: number, height: number];
interface Seen {
  boxes: Record<string, Box>;
  /** Parts that stand over the edge of the window, and those behind something else. */
  cut: string[];
  covered: string[];
  /** Pixels by which the page is longer than the window: a screen scrolls within its own edges, and what is around it stays. */
  beyond: number;
}

/** The named parts in sight, and what is wrong with them. */
function look(): Seen {
  const { scrollHeight } = document.documentElement;
  const seen: Seen = { boxes: {}, cut: [], covered: [], beyond: scrollHeight - innerHeight };
  const parts = 'nav, section, aside, form, [role="region"], [role="group"], [role="search"], h1, h2, .MuiButton-contained';
  for (const element of document.querySelectorAll<HTMLElement>(parts)) {
    const words = /^(?:H[12]|BUTTON)$/.test(element.tagName) ? element.textContent : '';
    const name = (element.ariaLabel ?? words).trim();
    const { left, top, width, height } = element.getBoundingClientRect();
    if (name === '' || element.closest('.hidden-words') || width < 4 || height < 4 || top > innerHeight) continue;
    const key = `${element.tagName.toLowerCase()} ${name.slice(0, 60)}`;
    if (key in seen.boxes) continue;
    // Below the window's edge a height is that of a text in the fonts of this machine.
    const inWindow = Math.min(top + height, innerHeight) - top;
    seen.boxes[key] = [left, top, width, inWindow].map(Math.round) as unknown as Box;
    if (left < -1 || left + width > innerWidth + 1) seen.cut.push(key);
    const [x, y] = [left + width / 2, top + inWindow / 2];
    const above = document.elementFromPoint(x, y);
    let inSight = y > 0;
    for (let around = element.parentElement; around; around = around.parentElement) {
      const edge = around.getBoundingClientRect();
      if (getComputedStyle(around).overflowY !== 'visible' && (y < edge.top || y > edge.bottom)) inSight = false;
    }
    if (inSight && above && !element.contains(above) && !above.contains(element)) seen.covered.push(key);
  }
  return seen;
}

/** Waits until nothing moves any more. */
async function settled(page: Page): Promise<Seen> {
  await page.evaluate(() => document.fonts.ready.then(() => undefined));
  let before = '';
  for (;;) {
    await new Promise((done) => setTimeout(done, 200));
    const now = await page.evaluate(look);
    if (JSON.stringify(now) === before) return now;
    before = JSON.stringify(now);
  }
}

const world = useServerAndBrowser();
const kept = WRITE ? {} : (JSON.parse(readFileSync(FILE, 'utf8')) as Record<string, Record<string, Box>>);
const found: Record<string, Seen> = {};

beforeAll(async () => {
  const { page, context } = await newVisitor(world.browser);
  await goTo(page, `${world.server.address}/shelf`);
  await press(page, 'button', 'Show it with examples');
  await waitForText(page, '6 of these are examples');
  await goTo(page, `${world.server.address}/bench/example`);
  await waitForText(page, 'Opening the sluice');
  for (const [view, [path, role, name]] of Object.entries(VIEWS)) {
    await goTo(page, world.server.address + (path || '/bench/example'));
    await find(page, role, name);
    for (const [width, height] of SIZES) {
      await page.setViewport({ width, height });
      await until(page, (wide: number) => innerWidth === wide, width);
      found[`${view} ${width}`] = await settled(page);
    }
  }
  await context.close();
}, 180_000);

afterAll(() => {
  if (!WRITE) return;
  const lines = Object.entries(found).map(([view, { boxes }]) => {
    const parts = Object.entries(boxes).map(([name, box]) => `    ${JSON.stringify(name)}: [${box.join(', ')}]`);
    return `  ${JSON.stringify(view)}: {\n${parts.join(',\n')}\n  }`;
  });
  writeFileSync(FILE, `{\n${lines.join(',\n')}\n}\n`);
});

test.each(Object.keys(VIEWS))('the parts of “%s” stand where they stood, whole and in sight, at every width', (view) => {
  for (const [width] of SIZES) {
    const { boxes, cut, covered, beyond } = found[`${view} ${width}`]!;
    expect({ width, cut, covered, beyond }).toEqual({ width, cut: [], covered: [], beyond: 0 });
    if (WRITE) continue;
    const before = kept[`${view} ${width}`]!;
    expect({ width, parts: Object.keys(boxes) }).toEqual({ width, parts: Object.keys(before) });
    const moved = Object.entries(boxes).filter(([name, box]) =>
      box.some((at, i) => Math.abs(at - before[name]![i]!) > TOLERANCE),
    );
    expect({ width, moved }).toEqual({ width, moved: [] });
  }
});
