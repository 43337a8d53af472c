import { spawn, type ChildProcess } from 'node:child_process';
import { once } from 'node:events';
import { readdirSync } from 'node:fs';
import type { Readable } from 'node:stream';
import { Builder, By, Capabilities, Key, type WebDriver, type WebElement } from 'selenium-webdriver';
import { freePort, waitFor } from './driver.ts';
import { ROLES, type People, type Person, type Role } from './person.ts';

/** Debian's WebKit with its own small browser, over WebDriver, on a screen that nobody sees. */
export async function launchWebKit(): Promise<People> {
  const { screen, display } = await startScreen();
  const port = await freePort();
  const service = spawn('WebKitWebDriver', [`--port=${port}`, '--host=127.0.0.1'], {
    env: { ...process.env, DISPLAY: display, LIBGL_ALWAYS_SOFTWARE: '1', NO_AT_BRIDGE: '1', ...NO_NETWORK },
    stdio: 'ignore',
  });
  return {
    visitor: async () => personIn(await openSession(port)),
    close: async () => {
      for (const program of [service, screen]) await end(program);
    },
  };
}

/** Nothing of the tests leaves this machine: what is no name of its own goes to a port where nobody answers. */
const NO_NETWORK = {
  http_proxy: 'http://127.0.0.1:9',
  https_proxy: 'http://127.0.0.1:9',
  no_proxy: 'localhost,.localhost,127.0.0.1',
};

/** An X server without a screen that picks a free number and tells it. */
async function startScreen(): Promise<{ screen: ChildProcess; display: string }> {
  const screen = spawn('Xvfb', ['-displayfd', '3', '-screen', '0', '1440x1000x24', '-nolisten', 'tcp'], {
    stdio: ['ignore', 'ignore', 'ignore', 'pipe'],
  });
  const [number] = (await once(screen.stdio[3] as Readable, 'data')) as [Buffer];
  return { screen, display: `:${number.toString().trim()}` };
}

async function end(program: ChildProcess): Promise<void> {
  if (program.exitCode !== null) return;
  const closed = once(program, 'close');
  program.kill();
  await closed;
}

/** The browser that comes with the driver lies in a folder of the machine's own name. */
function smallBrowser(): string {
  for (const machine of readdirSync('/usr/lib'))
    for (const version of ['4.1', '4.0'])
      if (machine.endsWith('-linux-gnu') && readdirSync(`/usr/lib/${machine}`).includes(`webkit2gtk-${version}`))
        return `/usr/lib/${machine}/webkit2gtk-${version}/MiniBrowser`;
  throw new Error('webkit2gtk-driver is not installed');
}

/** The driver answers a moment after it was started. */
const openSession = (port: number): Promise<WebDriver> =>
  waitFor('a session of WebKit', async () => {
    const wanted = new Capabilities({
      browserName: 'MiniBrowser',
      'webkitgtk:browserOptions': { binary: smallBrowser(), args: ['--automation'] },
    });
    try {
      const session = await new Builder().usingServer(`http://127.0.0.1:${port}`).withCapabilities(wanted).build();
      await session.manage().window().setRect({ x: 0, y: 0, width: 1400, height: 960 });
      return session;
    } catch (error) {
      if (/ECONNREFUSED/.test(String(error))) return null;
      throw error;
    }
  });

function personIn(session: WebDriver): Person {
  const withControl = (key: string): Promise<void> =>
    session.actions().keyDown(Key.CONTROL).sendKeys(key).keyUp(Key.CONTROL).perform();
  const take = async (name: string): Promise<void> => {
    const field = await find(session, 'textbox', name);
    await session.executeScript('arguments[0].focus()', field);
    await withControl('a');
  };
  return {
    goTo: (address) => session.get(address),
    press: async (role, name) => {
      await waitFor(`the ${role} “${name}” to be pressed`, () =>
        find(session, role, name)
          .then((element) => element.click())
          .then(() => true, orLater),
      );
    },
    enter: async (name, text) => {
      await take(name);
      await session.actions().sendKeys(text.replaceAll('\n', Key.ENTER)).perform();
    },
    keys: async (...keys) => {
      const codes = { ArrowDown: Key.ARROW_DOWN, Enter: Key.ENTER };
      for (const key of keys) await session.actions().sendKeys(codes[key]).perform();
    },
    pasteInto: async (name) => {
      await take(name);
      await withControl('v');
    },
    giveFile: async (words, path) => {
      const field = By.xpath(`//label[contains(normalize-space(.), "${words}")]//input[@type="file"]`);
      const [element] = await waitFor(`the file field “${words}”`, async () => {
        const found = await session.findElements(field);
        return found.length > 0 ? found : null;
      });
      await element!.sendKeys(path);
    },
    read: (expression) => session.executeScript(`return (${expression})`),
    leave: () => session.quit(),
  };
}

/** What has gone or is covered while it is looked at is looked for once more. */
function orLater(error: unknown): null {
  if (/StaleElement|ClickIntercepted|NotInteractable|NoSuchElement/.test((error as Error).name)) return null;
  throw error;
}

/** The element with this role and name, as the browser itself computes them. */
const find = (session: WebDriver, role: Role, name: string): Promise<WebElement> =>
  waitFor(`the ${role} “${name}”`, async () => {
    for (const element of await session.findElements(By.css(ROLES[role]))) {
      // Of what goes while it is looked at the driver says nothing but that something went wrong.
      const its = await element.getAccessibleName().catch((error: Error) => (error.message === '' ? null : orLater(error)));
      if (its === name) return element;
    }
    return null;
  });
