import { spawnSync } from 'node:child_process';
import { mkdtempSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import type { Browser, Page } from 'puppeteer-core';
import { afterAll, beforeAll, describe, expect, test } from 'vitest';
import { findings } from './axe.ts';
import { choose, copyCode, openBench, type, typeIn } from './bench.ts';
import { launchBrowser } from './browser.ts';
import { find, freePort, goTo, newVisitor, press, startServer, until, waitFor, waitForText, type Running } from './driver.ts';
import { startNginx } from './nginx.ts';
import { useServerAndBrowser, visitor } from './world.ts';

const deploy = join(import.meta.dirname, '../deploy');

describe('behind a proxy that speaks TLS, under names of its own', () => {
  const [application, preview] = ['refenestra.test', 'preview-refenestra.test'];
  let server: Running;
  let browser: Browser;
  let nginx: { stop: () => Promise<void> };
  beforeAll(async () => {
    const tls = await freePort();
    server = await startServer(undefined, {
      PUBLIC_ORIGIN: `https://${application}`,
      PREVIEW_ORIGIN: `https://${preview}`,
      TRUST_PROXY: '1',
    });
    nginx = await startNginx({ application, preview, tls, plain: await freePort(), server: server.port });
    const names = [application, `*.${application}`, preview].map((name) => `MAP ${name}:443 127.0.0.1:${tls}`);
    browser = await launchBrowser(undefined, names);
  });
  afterAll(async () => {
    await browser.close();
    await nginx.stop();
    await server.stop();
  });

  test('the main flow goes through, its preview plays, and nothing asks localhost', async () => {
    const { context, page } = await newVisitor(browser);
    const asked = new Set<string>();
    const follow = (one: Page): void => void one.on('request', (request) => asked.add(new URL(request.url()).origin));
    follow(page);
    await openBench(page, `https://${application}/`);
    await waitForText(page, 'Opening the sluice');
    await typeIn(page, `https://lanternreel.${application}/see/l0wwalk3`);
    await waitForText(page, 'A walk at low water');
    await type(page, 'from the start', 'Start time', '0:42');
    await choose(page, 'waits for a press', 'Autoplay', 'on');
    await choose(page, 'with sound', 'Mute', 'on');
    const frame = await waitFor('the player in the preview', () =>
      Promise.resolve(page.frames().find((one) => one.url().includes(`https://frames.lanternreel.${application}/f/l0wwalk3`))),
    );
    await waitFor('the film to play', () =>
      frame.evaluate(() => [...document.querySelectorAll('video')].some((film) => film.currentTime > 42.2 && film.muted)),
    );
    const code = await copyCode(page);
    expect(code).toContain(`src="https://frames.lanternreel.${application}/f/l0wwalk3?`);
    expect(code).not.toMatch(/localhost|http:/);
    expect([...asked].filter((origin) => /localhost|127\.|^http:/.test(origin))).toEqual([]);
    await context.close();
  });

  test('its headers say what a strict scan looks for', async () => {
    const { context, page } = await newVisitor(browser);
    const whole = (await page.goto(`https://${application}/`))!.headers();
    expect(whole['strict-transport-security']).toMatch(/^max-age=31536000/);
    expect(whole['cross-origin-opener-policy']).toBe('same-origin');
    expect(whole['cross-origin-resource-policy']).toBe('same-origin');
    expect(whole['x-content-type-options']).toBe('nosniff');
    expect(whole['referrer-policy']).toBe('no-referrer');
    expect(whole['x-powered-by']).toBeUndefined();
    expect(weaknessesOf(whole['content-security-policy']!)).toEqual([]);
    const framed = (await page.goto(`https://${preview}/`))!.headers();
    expect(framed['content-security-policy']).toContain(`frame-ancestors https://${application}`);
    expect(framed['strict-transport-security']).toMatch(/^max-age=31536000/);
    expect((await page.goto(`https://${application}/metrics`))!.status()).toBe(404);
    await context.close();
  });
});

/** What is wrong with a policy, by the rules of those who judge them (CSP Level 3). */
function weaknessesOf(policy: string): string[] {
  const directives = new Map(
    policy.split(';').map((part): [string, string[]] => {
      const [name, ...values] = part.trim().split(/\s+/);
      return [name!, values];
    }),
  );
  const of = (name: string): string[] => directives.get(name) ?? directives.get('default-src') ?? ['*'];
  const open = ['*', 'http:', 'https:', 'data:', "'unsafe-inline'", "'unsafe-eval'"];
  return [
    ...of('script-src')
      .filter((value) => open.includes(value))
      .map((value) => `script-src ${value}`),
    ...['object-src', 'base-uri', 'form-action', 'frame-ancestors'].filter((name) => directives.get(name)?.join() !== "'none'"),
    ...(of('script-src').some((value) => /^'nonce-[\w+/]{22}==?'$/.test(value)) ? [] : ['no nonce']),
  ];
}

test('the units are as systemd wants them', () => {
  const folder = mkdtempSync(join(tmpdir(), 'units-'));
  for (const name of ['refenestra.service', 'refenestra-work@.service']) {
    const unit = readFileSync(join(deploy, name), 'utf8');
    writeFileSync(join(folder, name), unit.replace('/usr/bin/node', process.execPath).replace('User=refenestra', 'User=daemon'));
    const { stderr, stdout } = spawnSync('systemd-analyze', ['verify', join(folder, name)], { encoding: 'utf8' });
    // What it says of units that are not ours is of the machine.
    expect(`${stdout}${stderr}`.split('\n').filter((line) => line.includes('refenestra'))).toEqual([]);
  }
  rmSync(folder, { recursive: true });
});

describe('from other programs', () => {
  const world = useServerAndBrowser(launchBrowser);
  const come = visitor(world);
  const link = (): string => `${world.host('lanternreel')}/see/l0wwalk3`;

  test('a link that is handed over opens on the Bench, once', () =>
    come(`/?take=${encodeURIComponent(link())}`, ['textbox', 'Share link or embed code'], async (page) => {
      await waitForText(page, 'A walk at low water');
      await until(page, () => location.pathname.startsWith('/bench/') && location.search === '');
      const { pathname } = new URL(page.url());
      await goTo(page, `${world.server.address}/shelf`);
      await waitFor('one embed', () =>
        page.evaluate((path: string) => document.querySelectorAll(`a[href="${path}"]`).length > 0, pathname),
      );
    }));

  test('what is shared as text opens as well', () =>
    come(
      `/?title=A+walk&text=${encodeURIComponent(`See this: ${link()}`)}&take=`,
      ['textbox', 'Share link or embed code'],
      (page) => waitForText(page, 'A walk at low water'),
    ));

  test('an editor that speaks oEmbed turns a link that stands alone into the code of the site, and it plays', async () => {
    const { context, page } = await newVisitor(world.browser);
    await goTo(page, world.host('millwright'));
    await (
      await find(page, 'textbox', 'A new page')
    ).type(`The tide goes out.\n${link()}\nhttps://media.example/unknown\nThen it comes back.`);
    await press(page, 'button', 'Publish');
    const src = await waitFor('the player', () =>
      page.evaluate(() => document.querySelector('article iframe')?.getAttribute('src')),
    );
    expect(src).toContain('/f/l0wwalk3');
    expect(await page.$$eval('article p', (all) => all.map(({ textContent }) => textContent))).toEqual([
      'The tide goes out.',
      'https://media.example/unknown',
      'Then it comes back.',
    ]);
    const frame = await waitFor('its frame', () =>
      Promise.resolve(page.frames().find((one) => one.url().includes('/f/l0wwalk3'))),
    );
    await (await frame.waitForSelector('::-p-aria([name="Play"][role="button"])'))!.click();
    await waitFor('the film to play', () => frame.evaluate(() => document.querySelector('video')!.currentTime > 0.2));
    await context.close();
  });

  test('Connect: a page editor’s answer, a question of a program, and a job with its rows', () =>
    come('/connect', ['heading', 'Connect'], async (page) => {
      expect(await findings(page)).toEqual([]);
      await press(page, 'button', 'Ask');
      await waitForText(page, 'Lanternreel, video, 560 × 315 pixels');
      await find(page, 'combobox', 'Question');
      await press(page, 'button', 'Send');
      await waitForText(page, '"canonical": "');
      const rows = Array.from({ length: 600 }, () => link()).join('\n');
      const field = await find(page, 'textbox', 'Links, a table as CSV, or a feed');
      await field.evaluate((element) => element.scrollIntoView());
      await field.focus();
      await page.evaluate((text: string) => document.execCommand('insertText', false, text), rows);
      await press(page, 'button', 'Order');
      await waitForText(page, '2 of 2 parts');
      await find(page, 'button', 'Save rows');
    }));

  test('opens, makes, saves and copies with the server stopped', async () => {
    const own = await startServer();
    const { context, page } = await newVisitor(world.browser);
    await openBench(page, own.address);
    await waitForText(page, 'Opening the sluice');
    await page.evaluate(() =>
      navigator.serviceWorker
        .register('/sw.js')
        .then(() => navigator.serviceWorker.ready)
        .then(() => undefined),
    );
    await goTo(page, own.address);
    await until(page, () => navigator.serviceWorker.controller !== null);
    await waitForText(page, 'Opening the sluice');
    await own.stop();
    await goTo(page, `${own.address}/shelf`);
    await find(page, 'heading', 'Shelf');
    await goTo(page, own.address);
    await find(page, 'textbox', 'Share link or embed code');
    await typeIn(page, `http://lanternreel.localhost:${own.port}/see/l0wwalk3`);
    await type(page, 'from the start', 'Start time', '0:42');
    expect(await copyCode(page)).toContain('from=42');
    const path = new URL(page.url()).pathname;
    await goTo(page, `${own.address}/shelf`);
    await waitFor('what was made', () => page.evaluate((to: string) => document.querySelector(`a[href="${to}"]`) !== null, path));
    await context.close();
  });
});
