import { mkdtempSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import type { ElementHandle, Frame, Page } from 'puppeteer-core';
import { afterAll, describe, expect, test } from 'vitest';
import { DISOBEDIENT } from '../src/standins/lanternreel/routes.ts';
import { bringIn, typeIn, useBench, waitForCode } from './bench.ts';
import { find, press, reload, waitForText } from './driver.ts';
import { launchBrowser } from './browser.ts';
import { useServerAndBrowser } from './world.ts';

const world = useServerAndBrowser(launchBrowser);
const { host } = world;
const folder = mkdtempSync(join(tmpdir(), 'proof-'));
afterAll(() => rmSync(folder, { recursive: true }));

/** What the strip says, line by line. */
async function played(page: Page): Promise<string[]> {
  await press(page, 'button', 'Play it through');
  await page.waitForSelector('[aria-label="Play-through"][aria-busy="false"]', { timeout: 120_000 });
  return page.$$eval('.proof-row', (rows) => rows.map((row) => (row as HTMLElement).innerText.replaceAll('\n', ', ')));
}

const { onBench, anew } = useBench(world);

const proofOf = (code: string): Promise<string[]> =>
  onBench(async (page) => {
    await typeIn(page, code);
    return played(page);
  });

const wrong = (lines: readonly string[]): string[] => lines.filter((line) => / not as asked| could not be seen/.test(line));

/** A player on one of Lanternreel's frame domains that is told everything at once. */
const told = (name: string, id = 'k7wq2m9d'): string =>
  `<iframe src="${host(`${name}.lanternreel`)}/f/${id}?auto=1&hush=1&from=12&until=20&after=own&bars=0" allow="autoplay"></iframe>`;

type Card = Record<string, unknown>;

/** Brings in Lanternreel's card with another of its frame domains. */
async function takeCard(page: Page, name: string, change = (card: Card): Card => card): Promise<void> {
  const text = readFileSync(join(import.meta.dirname, '../demo/hosts/lanternreel.json'), 'utf8')
    .replaceAll('frames.lanternreel', `${name}.lanternreel`)
    .replaceAll(':4600', `:${world.server.port}`);
  const file = join(folder, `${name}.json`);
  writeFileSync(file, JSON.stringify(change(JSON.parse(text) as Card)));
  await press(page, 'link', 'Hosts');
  await find(page, 'region', 'All hosts against all settings');
  await ((await page.$('.imports input[type="file"]')) as ElementHandle<HTMLInputElement>).uploadFile(file);
  await waitForText(page, '1 card imported');
  await press(page, 'link', 'Bench');
  await find(page, 'textbox', 'Share link or embed code');
}

describe('a player that does not do as it is told is found out', () => {
  const FOUND: Record<string, { code?: (name: string) => string; lines: string[] }> = {
    deaf: { lines: ['has sound, asked: is muted'] },
    lazy: { lines: ['waits for a press, asked: begins by itself'] },
    eager: {
      code: (name) => told(name).replace('auto=1&hush=1', 'hush=0'),
      lines: ['begins by itself, asked: waits for a press'],
    },
    early: { lines: ['asked: begins at 0:12'] },
    barred: { lines: ['shows controls, asked: shows no controls'] },
    endless: { lines: ['plays on, asked: ends at 0:20'] },
    once: { code: (name) => `${told(name).replace('after=own', 'again=1&run=k7wq2m9d')}`, lines: ['asked: then begins again'] },
    crowded: { lines: ['suggests anything, asked: suggests its own channel'] },
  };

  test('each of them has a case', () => expect(Object.keys(FOUND).sort()).toEqual(Object.keys(DISOBEDIENT).sort()));

  test.concurrent.each(Object.entries(FOUND))('%s', (name, { code = told, lines }) =>
    anew(async (page) => {
      await takeCard(page, name);
      await typeIn(page, code(name));
      await waitForCode(page, `${name}.lanternreel`);
      const found = (await played(page)).filter((line) => line.includes('not as asked')).join('\n');
      for (const line of lines) expect(found).toContain(line);
    }),
  );
});

describe('one that does is found in order', () => {
  test.concurrent.each([
    ['a video', () => told('frames')],
    [
      'a video that goes round',
      () =>
        `<iframe src="${host('frame.plumbline')}/v/4410207?play=1&quiet=1&repeat=1&heading=0#at=12" allow="autoplay"></iframe>`,
    ],
    ['a sound recording', () => `${host('murmurfold')}/estuary-ferry/bell-in-fog`],
    ['an episode', () => `<iframe src="${host('player.earbrook')}/episode/millers-diary-3?from=6"></iframe>`],
    [
      'a live picture',
      () => `<iframe src="${host('frames.lanternreel')}/f/sluice-camera?auto=1&hush=1" allow="autoplay"></iframe>`,
    ],
    ['slides', () => `<iframe src="${host('deckmoor')}/frame/rest2401?go=1&every=700&again=1&first=4"></iframe>`],
    ['a document', () => `${host('foliobarn')}/d/rcp-9n3d1f/released`],
    ['a booklet', () => `${host('gatherfold')}/read/AN1126/5`],
    ['a recording with its transcript', () => `${host('spoolnote')}/r/tsd401#at=24`],
    ['a short loop', () => `${host('loopwick')}/l/stone-turning-7stn4`],
    ['a film file', () => `${host('loopwick')}/m/7stn4.webm`],
  ])('%s', async (_, code) => {
    const lines = await proofOf(code());
    expect(lines.length).toBeGreaterThan(1);
    expect(wrong(lines)).toEqual([]);
  });
});

describe('the strip', () => {
  test('asks a person where nothing can be seen, and is kept with the embed, with its date', () =>
    anew(async (page) => {
      await takeCard(page, 'frames', ({ player: _, ...silent }) => silent);
      await bringIn(page, told('frames'));
      await waitForText(page, 'the host does not report');
      const lines = await played(page);
      expect(lines).toContain('Was it silent?, could not be seen, Yes, No');
      expect(wrong(lines).length).toBe(lines.length - 1);
      await press(page, 'button', 'Yes');
      await waitForText(page, 'as you saw it');
      await reload(page);
      await press(page, 'button', 'Last play-through');
      await waitForText(page, 'kept with the embed');
      await waitForText(page, 'as you saw it');
      await press(page, 'button', 'Back to the settings');
      await find(page, 'region', 'Moments');
    }));

  test('is that of a visitor whose browser keeps nothing yet, and is called off at any time', () =>
    anew(async (page) => {
      const player = (): Promise<Frame> => page.waitForFrame((frame) => frame.url().includes('/f/k7wq2m9d'));
      await (await player()).evaluate(() => localStorage.setItem('been', 'here'));
      expect(await (await player()).evaluate(() => localStorage.getItem('been'))).toBe('here');
      await press(page, 'button', 'Play it through');
      await page.waitForSelector('.proof-sheet iframe');
      expect(await (await player()).evaluate(() => localStorage.getItem('been'))).toBe(null);
      await press(page, 'button', 'Stop');
      await find(page, 'region', 'Moments');
    }));

  test('tells what a cover loads before a press', async () => {
    const lines = await anew(async (page) => {
      await page.select('.code-head select', 'cover');
      await waitForCode(page, 'srcdoc');
      return played(page);
    });
    expect(lines[0]).toBe('nothing is loaded before a press, as asked');
    expect(wrong(lines)).toEqual([]);
  });
});
