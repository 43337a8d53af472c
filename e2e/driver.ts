import { spawn, type ChildProcess } from 'node:child_process';
import { once } from 'node:events';
import { createServer, type Server } from 'node:http';
import type { AddressInfo } from 'node:net';
import { join } from 'node:path';
import type { Browser, BrowserContext, ElementHandle, EvaluateFunc, Frame, Page } from 'puppeteer-core';

/** The one driver of all user flows: the real server, a real browser, and things looked up by role and name. */
export const serverProgram = join(import.meta.dirname, '../dist/node/server.js');

export interface Running {
  port: number;
  pid: number;
  address: string;
  stop: () => Promise<void>;
}

/** Starts the built server in a process of its own, on a free port unless one is given, with more said by the environment. */
export async function startServer(wanted?: number, more: NodeJS.ProcessEnv = {}): Promise<Running> {
  const port = wanted ?? (await freePort());
  const server: ChildProcess = spawn(process.execPath, [serverProgram], {
    env: { ...process.env, PORT: String(port), LOG: 'silent', ASK: 'standins', ...more },
    stdio: ['ignore', 'pipe', 'inherit'],
  });
  await once(server.stdout!, 'data');
  return {
    port,
    pid: server.pid!,
    address: `http://localhost:${port}`,
    stop: async () => {
      const closed = once(server, 'close');
      server.kill('SIGTERM');
      await closed;
    },
  };
}

/** A port where nobody listens. */
export async function freePort(): Promise<number> {
  const probe = createServer().listen(0);
  await once(probe, 'listening');
  const { port } = probe.address() as AddressInfo;
  probe.close();
  await once(probe, 'close');
  return port;
}

export interface Visitor {
  context: BrowserContext;
  page: Page;
}

/** A visitor with an empty browser store. */
export async function newVisitor(browser: Browser, size = { width: 1280, height: 800 }): Promise<Visitor> {
  const context = await browser.createBrowserContext();
  const page = await context.newPage();
  await page.setViewport(size);
  page.setDefaultTimeout(PATIENCE);
  return { context, page };
}

/** Milliseconds until something that is waited for counts as missing: a loaded machine is slow, not wrong. */
const PATIENCE = 60_000;

/** Milliseconds between two looks. Not at every frame: looking makes the browser draw, which takes from what is looked at. */
const PAUSE = 50;

/** Waits until the look gives something true, and gives it. */
export async function waitFor<Seen>(what: string, look: () => Promise<Seen>, patience = PATIENCE): Promise<NonNullable<Seen>> {
  for (const deadline = Date.now() + patience; ; await new Promise((done) => setTimeout(done, PAUSE))) {
    // Between two looks the screen may have drawn it anew, or have gone to another address.
    const seen = await look().catch((error: unknown) => {
      if (!/detached|context was destroyed|Cannot find context/.test(String(error))) throw error;
      return null;
    });
    if (seen) return seen;
    if (Date.now() > deadline) throw new Error(`waited ${patience} ms in vain for ${what}`);
  }
}

/** Waits until this holds in the page. */
export async function until<Args extends unknown[]>(page: Page | Frame, holds: EvaluateFunc<Args>, ...args: Args): Promise<void> {
  await waitFor(`${String(holds)} with ${JSON.stringify(args)}`, () => page.evaluate(holds, ...args));
}

/**
 * What the look gives in each frame that shows another origin's page at this address, over a session of its own: of frames
 * that are attached in the same moment the driver's own can stay without a context for ever. One that goes away meanwhile
 * gives nothing.
 */
export async function lookIntoFrames<Seen>(context: BrowserContext, address: string, look: () => Seen): Promise<Seen[]> {
  const frames = context.targets().filter((target) => target.url() === address);
  const seen = await Promise.all(
    frames
      .map(async (target) => {
        const session = await target.createCDPSession();
        const { result } = await session.send('Runtime.evaluate', { expression: `(${String(look)})()`, returnByValue: true });
        await session.detach();
        return [result.value as Seen];
      })
      .map((looking) => looking.catch(() => [])),
  );
  return seen.flat();
}

/** Milliseconds that frames get to be there wholly before their page is left. */
const SETTLING = 3000;

/**
 * Opens an address and waits until its page is loaded. The driver's own way waits for every frame that it believes there
 * is, and so for ever when it has missed that one went away; and a page that is left while a frame is still being attached
 * is lost to it, so that frames get time to settle first.
 */
export async function goTo(page: Page, address: string): Promise<void> {
  const looks = page.frames().map((frame) => frame.evaluate(() => document.readyState).catch(() => null));
  await Promise.race([Promise.all(looks), new Promise((done) => setTimeout(done, SETTLING))]);
  const devtools = await page.createCDPSession();
  const { errorText } = await devtools.send('Page.navigate', { url: address });
  await devtools.detach();
  if (errorText) throw new Error(`${address} could not be opened: ${errorText}`);
  await until(page, () => document.readyState === 'complete');
}

/** The same page once more, as after the browser's own button. */
export const reload = (page: Page): Promise<void> => goTo(page, page.url());

/** The element with this role and name, waited for. */
export function find(page: Page, role: string, name: string): Promise<ElementHandle> {
  return waitFor(`the ${role} “${name}”`, () => page.$(`::-p-aria([name="${name}"][role="${role}"])`));
}

/** Presses it with the mouse, once it stands still and nothing lies over it, as a person would. */
export async function press(page: Page, role: string, name: string): Promise<void> {
  const { x, y } = await restingPlace(page, role, name);
  await page.mouse.click(x, y);
}

/** Where something can be pressed or taken hold of, once it has come to rest. */
export function restingPlace(page: Page, role: string, name: string): Promise<{ x: number; y: number }> {
  return waitFor(`the ${role} “${name}” to be at rest`, async () => {
    const element = await find(page, role, name);
    await element.scrollIntoView();
    return element.evaluate(placeAtRest);
  });
}

/** The middle of an element that stayed where it was for two frames and is not covered, in CSS pixels of the window. */
async function placeAtRest(element: Element): Promise<{ x: number; y: number } | null> {
  const [before] = element.getClientRects();
  await new Promise((done) => requestAnimationFrame(() => requestAnimationFrame(done)));
  const [now] = element.getClientRects();
  if (!before || !now || JSON.stringify(before) !== JSON.stringify(now)) return null;
  const middle = { x: now.x + now.width / 2, y: now.y + now.height / 2 };
  const met = document.elementFromPoint(middle.x, middle.y);
  return met && (element.contains(met) || met.contains(element)) ? middle : null;
}

/** Waits until the text stands anywhere on the page. */
export async function waitForText(page: Page, text: string, patience = PATIENCE): Promise<void> {
  await waitFor(`“${text}”`, () => page.evaluate((wanted: string) => document.body.innerText.includes(wanted), text), patience);
}

/** Waits until the text stands nowhere on the page. */
export const waitForNoText = (page: Page, text: string): Promise<void> =>
  until(page, (unwanted: string) => !document.body.innerText.includes(unwanted), text);

/** Pastes a text at the focus, through the real clipboard. */
export async function paste(page: Page, text: string, into?: ElementHandle): Promise<void> {
  await allowClipboard(page);
  await page.evaluate((t: string) => navigator.clipboard.writeText(t), text);
  // A page that was behind another has drawing to make up for, which can take the selection along; a person comes later.
  await into?.evaluate(async (field) => {
    await new Promise((done) => requestAnimationFrame(() => requestAnimationFrame(() => setTimeout(done, 50))));
    (field as HTMLTextAreaElement).focus();
    (field as HTMLTextAreaElement).select();
    const { activeElement } = document;
    if (activeElement !== field) throw new Error(`The focus went to ${activeElement?.outerHTML.slice(0, 200)}.`);
  });
  await page.keyboard.down('Control');
  await page.keyboard.press('v');
  await page.keyboard.up('Control');
}

export async function readClipboard(page: Page): Promise<string> {
  await allowClipboard(page);
  return page.evaluate(() => navigator.clipboard.readText());
}

export async function allowClipboard(page: Page): Promise<void> {
  await page
    .browserContext()
    .overridePermissions(new URL(page.url()).origin, ['clipboard-read', 'clipboard-write', 'clipboard-sanitized-write']);
}

/** What a player said to the page that frames it, in order. */
export type Report = Record<string, unknown>;

export interface ForeignPage {
  address: string;
  stop: () => Promise<void>;
}

/** A page of somebody else, on another port, with the code in it; it writes what players report to its console. */
export async function serveForeignPage(code: string): Promise<ForeignPage> {
  const listen = `<script>addEventListener('message', (e) => console.log('report ' + (typeof e.data === 'string' ? e.data : JSON.stringify(e.data))))</script>`;
  const html = code.startsWith('<!doctype')
    ? code.replace('</head>', `${listen}</head>`)
    : `<!doctype html><html lang="en"><title>A page</title>${listen}<body style="max-width:720px">${code}`;
  return serveText(html, 'text/html; charset=utf-8');
}

/** A text at an origin of its own, for every page that asks for it. */
export async function serveText(text: string, type: string, more: Readonly<Record<string, string>> = {}): Promise<ForeignPage> {
  const server: Server = createServer((_, response) =>
    response.writeHead(200, { 'Content-Type': type, 'Access-Control-Allow-Origin': '*', ...more }).end(text),
  ).listen(0);
  await once(server, 'listening');
  return {
    address: `http://localhost:${(server.address() as AddressInfo).port}/`,
    stop: async () => {
      server.closeAllConnections();
      server.close();
      await once(server, 'close');
    },
  };
}

/** What was said as data, or as a line of text. */
const reportOf = (said: string): Report => (said.startsWith('{') ? (JSON.parse(said) as Report) : { line: said });

/** Opens an address as a fresh visitor and collects what the players report; no script of the driver runs in the page. */
export async function watchPage(
  browser: Browser,
  address: string,
): Promise<{
  page: Page;
  reports: Report[];
  until: (test: (report: Report) => boolean, wait?: number) => Promise<Report>;
  close: () => Promise<void>;
}> {
  const { context, page } = await newVisitor(browser);
  const reports: Report[] = [];
  page.on('console', (message) => {
    if (message.text().startsWith('report ')) reports.push(reportOf(message.text().slice(7)));
  });
  await page.goto(address);
  const until = async (test: (report: Report) => boolean, wait = PATIENCE): Promise<Report> => {
    for (const deadline = Date.now() + wait; Date.now() < deadline; await new Promise((done) => setTimeout(done, 50))) {
      const found = reports.find(test);
      if (found) return found;
    }
    throw new Error(`no such report within ${wait} ms; there were ${JSON.stringify(reports.slice(-5))}`);
  };
  return { page, reports, until, close: () => context.close() };
}

/** The code in a page of somebody else, opened by a visitor who was never here. */
export async function publish(browser: Browser, code: string): Promise<Awaited<ReturnType<typeof watchPage>>> {
  const foreign = await serveForeignPage(code);
  const watch = await watchPage(browser, foreign.address);
  return { ...watch, close: async () => (await watch.close(), foreign.stop()) };
}
