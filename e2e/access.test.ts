import type { KeyInput } from 'puppeteer-core';
import { describe, expect, test } from 'vitest';
import { findings } from './axe.ts';
import { bringIn, choose, openToken, waitForCode, waitForNoDialog } from './bench.ts';
import { allowClipboard, find, goTo, newVisitor, press, readClipboard, until, waitForText } from './driver.ts';
import { useServerAndBrowser } from './world.ts';

const world = useServerAndBrowser();

// Every screen at both widths and in both themes; colours do not go with the width.
describe.each([
  ['day', 1280],
  ['night', 390],
] as const)('%s theme, %d px wide', (theme, width) => {
  test('axe finds nothing on the Bench, its editors, the Shelf, Batch, Sweep, Orders, Sites, and the Host book', async () => {
    const { context, page } = await newVisitor(world.browser, { width, height: 800 });
    // The policy of the page lets no foreign script in; the checker is one.
    await page.setBypassCSP(true);
    await page.emulateMediaFeatures([{ name: 'prefers-color-scheme', value: theme === 'day' ? 'light' : 'dark' }]);
    await goTo(page, world.server.address);
    await waitForText(page, 'Opening the sluice');
    expect(await page.evaluate(() => document.documentElement.dataset.theme)).toBe(theme);
    await bringIn(page, `http://lanternreel.localhost:${world.server.port}/see/f3rryday?at=9s&ref=x&glow=1`);
    await waitForText(page, 'The ferry at first light');
    await choose(page, 'waits for a press', 'Autoplay', 'on');
    await choose(page, 'suggests anything', 'Suggestions at the end', 'Nothing');
    expect(await findings(page)).toEqual([]);
    await openToken(page, 'begins at 0:09', 'Start time');
    expect(await findings(page)).toEqual([]);
    await page.keyboard.press('Escape');
    await page.waitForSelector('.cm-content');
    await press(page, 'button', 'Compare');
    await waitForText(page, 'In words');
    expect(await findings(page)).toEqual([]);
    await press(page, 'button', 'Close');
    await waitForNoDialog(page);
    await press(page, 'button', 'Published code');
    const source = await find(page, 'textbox', 'Paste the source of the published page, or of the part with the embed');
    await source.focus();
    await page.keyboard.sendCharacter('<p>Nothing</p>');
    await waitForText(page, 'Nothing of the embed is there');
    expect(await findings(page)).toEqual([]);
    await press(page, 'button', 'Close');
    await waitForNoDialog(page);
    await press(page, 'button', 'Play it through');
    await page.waitForSelector('[aria-label="Play-through"][aria-busy="false"]');
    expect(await findings(page)).toEqual([]);
    await press(page, 'link', 'Shelf');
    await press(page, 'button', 'More on The ferry at first light');
    await find(page, 'button', 'Remove The ferry at first light');
    expect(await findings(page)).toEqual([]);
    await press(page, 'button', 'Texts for a post');
    await find(page, 'textbox', 'Address of the page');
    expect(await findings(page)).toEqual([]);
    await press(page, 'button', 'Close');
    await waitForNoDialog(page);
    await press(page, 'link', 'Batch');
    await press(page, 'button', 'Try an example');
    expect(await findings(page)).toEqual([]);
    await press(page, 'button', 'Make the codes');
    await waitForText(page, 'The row is made.');
    expect(await findings(page)).toEqual([]);
    await press(page, 'link', 'Sweep');
    await find(page, 'textbox', 'Address of a site');
    expect(await findings(page)).toEqual([]);
    await press(page, 'button', 'Try a sample site');
    await waitForText(page, '12 embeds of 12 items');
    await (await page.waitForSelector('.sweep-place'))!.click();
    await find(page, 'button', 'Open on the Bench');
    expect(await findings(page)).toEqual([]);
    await press(page, 'link', 'Orders');
    await press(page, 'button', 'New running order');
    await find(page, 'textbox', 'Add by link, or from the Shelf by its title');
    expect(await findings(page)).toEqual([]);
    await press(page, 'link', 'Sites');
    await waitForText(page, 'What its editor keeps');
    expect(await findings(page)).toEqual([]);
    await goTo(page, `${world.server.address}/help?q=title`);
    await find(page, 'heading', 'Checks');
    expect(await findings(page)).toEqual([]);
    await press(page, 'link', 'Hosts');
    await find(page, 'region', 'All hosts against all settings');
    expect(await findings(page)).toEqual([]);
    await press(page, 'link', 'Card libraries');
    await find(page, 'textbox', 'Address of the list');
    expect(await findings(page)).toEqual([]);
    await press(page, 'link', 'Lanternreel');
    await find(page, 'button', 'Copy as my own');
    expect(await findings(page)).toEqual([]);
    await press(page, 'button', 'Copy as my own');
    await find(page, 'textbox', 'The card as JSON');
    expect(await findings(page)).toEqual([]);
    await context.close();
  });
});

test('the whole job can be done by keyboard alone', async () => {
  const { context, page } = await newVisitor(world.browser);
  await goTo(page, world.server.address);
  await waitForText(page, 'Opening the sluice');
  await page.keyboard.press('p');
  await page.keyboard.type(`http://lanternreel.localhost:${world.server.port}/see/f3rryday`);
  await waitForText(page, 'The ferry at first light');
  const keys = async (...pressed: KeyInput[]): Promise<void> => {
    for (const key of pressed) await page.keyboard.press(key);
  };
  // Any setting is reached by at most eight keys after the paste.
  await keys('Escape', 'f');
  await find(page, 'combobox', 'Find a setting');
  await keys('r', 'e', 'l', 'Enter');
  await find(page, 'dialog', 'Suggestions at the end');
  await keys('Escape');
  await waitForNoDialog(page);
  // Of a group only one stops the Tab key; arrows walk on, and round.
  const focused = () => page.evaluate(() => document.activeElement?.textContent);
  await (await find(page, 'button', 'waits for a press')).focus();
  await keys('ArrowRight', 'ArrowRight');
  expect(await focused()).toBe('from the start');
  await keys('Home', 'ArrowLeft');
  expect(await focused()).toBe('from the start');
  await keys('Enter');
  await find(page, 'dialog', 'Start time');
  await page.keyboard.type('0:31');
  await page.keyboard.press('Enter');
  await until(page, () => document.activeElement?.id === 'token-start');
  await waitForCode(page, 'from=31');
  await allowClipboard(page);
  await (await find(page, 'slider', 'Start')).focus();
  await page.keyboard.press('c');
  await waitForText(page, 'Copied');
  expect(await readClipboard(page)).toContain('from=31');
  await page.keyboard.press('?');
  await waitForText(page, 'List the shortcuts');
  await context.close();
});

test('what the keys have reached is seen on every screen', async () => {
  const { context, page } = await newVisitor(world.browser);
  const unseen: string[] = [];
  for (const path of ['/bench/example', '/shelf', '/batch', '/sweep', '/sites/mill', '/orders', '/hosts/lanternreel']) {
    await goTo(page, world.server.address + path);
    await find(page, 'link', 'Bench');
    for (let stop = 0; stop < 30; stop++) {
      await page.keyboard.press('Tab');
      const name = await page.evaluate(() => {
        const at = document.activeElement!;
        const around = ['.box', '.MuiButtonBase-root', '.cm-editor'].map((part) => at.closest(part));
        const seen = [at, ...around].some((one) => {
          const { outlineStyle, outlineWidth } = getComputedStyle(one ?? document.body);
          return outlineStyle !== 'none' && parseFloat(outlineWidth) >= 2;
        });
        // What is within a frame marks it itself.
        return seen || at === document.body || at.tagName === 'IFRAME' ? null : `${at.tagName} ${at.textContent || at.ariaLabel}`;
      });
      if (name !== null) unseen.push(`${path}: ${name}`);
    }
  }
  expect([...new Set(unseen)]).toEqual([]);
  await context.close();
}, 60_000);
