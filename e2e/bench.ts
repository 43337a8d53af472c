import type { ElementHandle, Page } from 'puppeteer-core';
import {
  allowClipboard,
  find,
  goTo,
  newVisitor,
  paste,
  press,
  readClipboard,
  until,
  type Visitor,
  waitForText,
} from './driver.ts';
import type { useServerAndBrowser } from './world.ts';

/** Opens the Bench and waits until it can be used. */
export async function openBench(page: Page, address: string): Promise<void> {
  await goTo(page, address);
  await find(page, 'textbox', 'Share link or embed code');
}

/** Visitors who work at the Bench, with the example before them. */
export function useBench(world: ReturnType<typeof useServerAndBrowser>) {
  const done: Visitor[] = [];
  const enter = async (): Promise<Visitor> => {
    const visitor = await newVisitor(world.browser);
    await openBench(visitor.page, world.server.address);
    await waitForText(visitor.page, 'Opening the sluice');
    return visitor;
  };
  return {
    /** One who goes on with the next embed where somebody else of the file is done: entering takes longer than most work. */
    onBench: async <Result>(work: (page: Page) => Promise<Result>): Promise<Result> => {
      const visitor = done.pop() ?? (await enter());
      const result = await work(visitor.page);
      done.push(visitor);
      return result;
    },
    /** One whose store is empty. */
    anew: async <Result>(work: (page: Page) => Promise<Result>): Promise<Result> => {
      const { context, page } = await enter();
      const result = await work(page);
      await context.close();
      return result;
    },
  };
}

/** Replaces what stands in the paste line. */
export async function bringIn(page: Page, text: string): Promise<void> {
  const line = await find(page, 'textbox', 'Share link or embed code');
  // By the keyboard: a press could land beside it while the screen is still being laid out.
  await line.focus();
  await selectAll(page);
  await paste(page, text, line);
  // Of a longer text the line tells the length alone.
  if (text.trim() !== '' && text.length < 20_000) await stands(page, text);
}

/** Waits until the paste line holds the text: what went elsewhere would be found much later, as something else. */
const stands = (page: Page, text: string): Promise<void> =>
  until(
    page,
    (wanted: string) => document.querySelector<HTMLTextAreaElement>('#paste')?.value === wanted,
    text.replace(/\r\n?/g, '\n'),
  );

/** The same by typing: pages that are worked on at the same time share one clipboard. */
export async function typeIn(page: Page, text: string): Promise<void> {
  const line = await find(page, 'textbox', 'Share link or embed code');
  await line.focus();
  await selectAll(page);
  await page.keyboard.sendCharacter(text);
  await stands(page, text);
}

/** Opens the token with this sentence, or the setting by its name where it is not laid out, and waits for its editor. */
export async function openToken(page: Page, sentence: string, editor: string): Promise<void> {
  if (await isLaidOut(page, sentence)) await press(page, 'button', sentence);
  else await findSetting(page, editor);
  await find(page, 'dialog', editor);
}

const isLaidOut = (page: Page, sentence: string): Promise<boolean> =>
  page.evaluate(
    (wanted: string) => [...document.querySelectorAll('.token')].some((token) => token.textContent === wanted),
    sentence,
  );

/** Opens a setting by typing its name. */
async function findSetting(page: Page, name: string): Promise<void> {
  await press(page, 'button', 'Find a setting');
  await find(page, 'combobox', 'Find a setting');
  await page.keyboard.type(name);
  await page.keyboard.press('Enter');
}

/** Sets a switch or a choice by its token. */
export async function choose(page: Page, sentence: string, editor: string, option: string): Promise<void> {
  await openToken(page, sentence, editor);
  await press(page, 'button', option);
  await press(page, 'button', 'Done');
  await gone(page, editor);
}

/** Types a value into the editor of a token. */
export async function type(page: Page, sentence: string, editor: string, text: string): Promise<void> {
  await openToken(page, sentence, editor);
  const field = await find(page, 'textbox', editor);
  await replaceText(page, field, text);
  await press(page, 'button', 'Done');
  await gone(page, editor);
}

/** Types a text in the place of the one that stands in a field. */
export async function replaceText(page: Page, field: ElementHandle, text: string): Promise<void> {
  await field.focus();
  await selectAll(page);
  await page.keyboard.type(text);
}

export async function selectAll(page: Page): Promise<void> {
  await page.keyboard.down('Control');
  await page.keyboard.press('a');
  await page.keyboard.up('Control');
}

async function gone(page: Page, editor: string): Promise<void> {
  await until(page, (name: string) => !document.querySelector(`[role="dialog"][aria-label="${name}"]`), editor);
}

/** Presses Copy and gives what the clipboard then holds. */
export async function copyCode(page: Page): Promise<string> {
  await allowClipboard(page);
  await page.evaluate(() => navigator.clipboard.writeText(''));
  await press(page, 'button', 'Copy the code');
  await until(page, async () => (await navigator.clipboard.readText()) !== '');
  await waitForText(page, 'Copied');
  return readClipboard(page);
}

/** The code as it stands in the pane. */
export async function codeOf(page: Page): Promise<string> {
  // The editor takes the place of the plain text as soon as it is loaded.
  const pane = (await page.waitForSelector('[aria-label="The code"]'))!;
  return pane.evaluate((element) => element.textContent ?? '');
}

/** Waits until this stands in the code. */
export const waitForCode = (page: Page, part: string): Promise<void> =>
  until(page, (p: string) => document.querySelector('[aria-label="The code"]')?.textContent.includes(p), part);

/** Waits until this stands in the code no longer. */
export const waitForNoCode = (page: Page, part: string): Promise<void> =>
  until(page, (p: string) => document.querySelector('[aria-label="The code"]')?.textContent.includes(p) === false, part);

/** Waits until what was opened over the screen is closed. */
export const waitForNoDialog = (page: Page): Promise<void> => until(page, () => !document.querySelector('[role="dialog"]'));
