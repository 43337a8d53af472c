import type { ElementHandle, Page } from 'puppeteer-core';
import { replaceText, selectAll } from './bench.ts';
import { launchFirefox } from './browser.ts';
import { newVisitor, press, waitFor } from './driver.ts';
import { giveFile } from './files.ts';
import type { People, Person } from './person.ts';

/** Firefox as the flows of every browser have it. */
export async function launchFirefoxPeople(): Promise<People> {
  const firefox = await launchFirefox();
  return {
    visitor: async () => {
      const { context, page } = await newVisitor(firefox);
      return personIn(page, () => context.close());
    },
    close: () => firefox.close(),
  };
}

function personIn(page: Page, leave: () => Promise<void>): Person {
  const take = async (name: string): Promise<ElementHandle> => {
    const field = await waitFor(`the field “${name}”`, () =>
      page.$(`::-p-aria([name="${name}"][role="textbox"]), ::-p-aria([name="${name}"][role="searchbox"])`),
    );
    await field.focus();
    return field;
  };
  return {
    goTo: async (address) => void (await page.goto(address)),
    press: (role, name) => press(page, role, name),
    enter: async (name, text) => replaceText(page, await take(name), text),
    keys: async (...keys) => {
      for (const key of keys) await page.keyboard.press(key);
    },
    pasteInto: async (name) => {
      await take(name);
      await selectAll(page);
      await page.keyboard.down('Control');
      await page.keyboard.press('v');
      await page.keyboard.up('Control');
    },
    giveFile: (words, path) => giveFile(page, words, path),
    read: (expression) => page.evaluate(expression) as Promise<never>,
    leave,
  };
}
