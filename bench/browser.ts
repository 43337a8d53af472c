import type { Metrics } from 'puppeteer-core';
import { bringIn, choose, openBench } from '../e2e/bench.ts';
import { launchBrowser } from '../e2e/browser.ts';
import { find, newVisitor, startServer, waitForText } from '../e2e/driver.ts';
import { line } from './line.ts';
import { shares } from './shares.ts';
import { sayDisturbed } from './disturbed.ts';

/** Steps of a handle; the first few compile what runs. */
const STEPS = { warm: 30, counted: 300 };
const CHANGES = 100;

/**
 * Milliseconds of the screen's thread for one step of the handle for width, at the 95th percentile: from the key to
 * the laid-out screen, with code, map and checks made anew.
 */
const [server, browser] = await Promise.all([startServer(), launchBrowser()]);
const { page } = await newVisitor(browser);
await openBench(page, server.address);
await bringIn(page, `http://lanternreel.localhost:${server.port}/see/k7wq2m9d`);
await waitForText(page, 'Opening the sluice');
const handle = await find(page, 'slider', 'Width of the embed');
const preview = page.frames().find((frame) => frame.url().startsWith('http://preview.'))!;
await preview.waitForSelector('.slot iframe');
await preview.evaluate(() => Object.assign(document.querySelector('.slot iframe')!, { marked: true }));

const times = await handle.evaluate(async (slider, { warm, counted }) => {
  const measured: number[] = [];
  for (let i = 0; i < warm + counted; i++) {
    const width = slider.getAttribute('aria-valuenow');
    const key = Math.floor(i / 30) % 2 === 0 ? 'ArrowLeft' : 'ArrowRight';
    const from = performance.now();
    slider.dispatchEvent(new KeyboardEvent('keydown', { key, shiftKey: true, bubbles: true }));
    // React commits what a key changed before the next task, in a microtask.
    await Promise.resolve();
    document.body.getBoundingClientRect();
    if (i >= warm) measured.push(performance.now() - from);
    // The next step begins where the page says that the embed now is.
    for (let frames = 0; slider.getAttribute('aria-valuenow') === width; frames++) {
      if (frames > 200) throw new Error(`step ${i} changed nothing`);
      await new Promise((done) => requestAnimationFrame(done));
    }
  }
  return measured.sort((a, b) => a - b);
}, STEPS);
const same = await preview.$eval('.slot iframe', (frame) => 'marked' in frame);
const [middle, late] = [0.5, 0.95].map((share) => times[Math.floor(times.length * share)]!);
line('a step of the handle for width, on the screen’s thread (95th)', {
  figure: late!,
  most: 16,
  unit: 'ms',
  note: `half of them ${middle!.toFixed(2)} ms; player ${same ? 'not reloaded' : 'RELOADED'}`,
});

/** Undo and redo change one setting each: from the press until what came of it has been painted. */
await choose(page, 'waits for a press', 'Autoplay', 'on');
await new Promise((done) => setTimeout(done, 2000));
const before = await page.metrics();
const paints = await page.evaluate(async (count) => {
  const measured: number[] = [];
  for (let i = 0; i < count; i++) {
    const button = [...document.querySelectorAll('button')].find((one) => one.textContent === (i % 2 === 0 ? 'Undo' : 'Redo'))!;
    const from = performance.now();
    button.click();
    await new Promise((done) =>
      requestAnimationFrame(() => {
        const { port1, port2 } = new MessageChannel();
        port1.onmessage = done;
        port2.postMessage(null);
      }),
    );
    measured.push(performance.now() - from);
    await new Promise((done) => setTimeout(done, 200));
  }
  return measured.sort((a, b) => a - b);
}, CHANGES);
const after = await page.metrics();
/** Where the page's own thread spent its time between two looks, for one change. */
function whereSpent(from: Metrics, to: Metrics): string {
  const spent = (what: keyof Metrics): number => ((to[what]! - from[what]!) * 1000) / CHANGES;
  const [script, layout, style, all] = [
    spent('ScriptDuration'),
    spent('LayoutDuration'),
    spent('RecalcStyleDuration'),
    spent('TaskDuration'),
  ];
  const parts = shares({ script, style, layout, 'painting and the rest': all - script - layout - style });
  return `${all.toFixed(1)} ms of the page’s thread: ${parts}`;
}
line('a setting changed, from the press to the next paint (95th)', {
  figure: paints[Math.floor(CHANGES * 0.95)]!,
  most: 33,
  unit: 'ms',
  note: `half of them ${paints[CHANGES / 2]!.toFixed(1)} ms; ${whereSpent(before, after)}`,
});
/** A character of the code typed by hand: from the key until what came of it has been painted. */
await page.click('.cm-content');
await page.evaluate(() => {
  const times: number[] = [];
  addEventListener(
    'keydown',
    ({ timeStamp }) =>
      requestAnimationFrame(() => {
        const { port1, port2 } = new MessageChannel();
        port1.onmessage = () => times.push(performance.now() - timeStamp);
        port2.postMessage(null);
      }),
    true,
  );
  Object.assign(window, { times });
});
const untyped = await page.metrics();
for (let i = 0; i < CHANGES; i++) {
  await page.keyboard.press(i % 2 === 0 ? 'Space' : 'Backspace');
  await new Promise((done) => setTimeout(done, 150));
}
const keys = ((await page.evaluate('times')) as number[]).sort((one, other) => one - other);
line('a character typed in the code, from the key to the next paint (95th)', {
  figure: keys[Math.floor(keys.length * 0.95)]!,
  most: 20,
  unit: 'ms',
  note: `half of them ${keys[Math.floor(keys.length / 2)]!.toFixed(1)} ms; ${whereSpent(untyped, await page.metrics())}`,
});
sayDisturbed();
await browser.close();
await server.stop();
