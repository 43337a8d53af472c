import { describe, expect, test } from 'vitest';
import { bringIn, choose, copyCode, type, useBench, waitForCode } from './bench.ts';
import {
  allowClipboard,
  find,
  paste,
  press,
  publish as publishIn,
  readClipboard,
  serveForeignPage,
  until,
  waitForText,
  type Report,
} from './driver.ts';
import type { Page } from 'puppeteer-core';
import { launchBrowser } from './browser.ts';
import { misfit } from './observe.ts';
import { useServerAndBrowser } from './world.ts';

const world = useServerAndBrowser(launchBrowser);

const { anew, onBench } = useBench(world);

const publish = (code: string) => publishIn(world.browser, code);

const { host } = world;

/** A person whose acts are counted: a press, a paste by its keys, or a text typed and ended with Enter, is one. */
function counted(page: Page) {
  const acts: string[] = [];
  return {
    acts,
    press: async (role: string, name: string) => {
      acts.push(name);
      await press(page, role, name);
    },
    type: async (editor: string, text: string) => {
      acts.push(text);
      await until(page, (name: string) => document.activeElement?.closest('[role="dialog"]')?.ariaLabel === name, editor);
      await page.keyboard.type(text);
      await page.keyboard.press('Enter');
    },
    paste: async (text: string) => {
      acts.push(text);
      await paste(page, text);
    },
  };
}

describe('from a share link to a page that behaves', () => {
  test('is eight acts from an empty start: link, start, muted autoplay, its own channel’s videos, copy', async () => {
    await anew(async (page) => {
      await allowClipboard(page);
      const person = counted(page);
      await person.paste(`${host('lanternreel')}/see/l0wwalk3`);
      await waitForText(page, 'A walk at low water');
      await person.press('button', 'from the start');
      await person.type('Start time', '0:42');
      await person.press('button', 'waits for a press');
      await person.press('button', 'on, muted');
      // The next is pressed while the editor of the one before is open.
      await person.press('button', 'suggests anything');
      await person.press('button', 'Same channel');
      await person.press('button', 'Copy the code');
      await waitForText(page, 'Copied');
      expect(person.acts).toHaveLength(8);
      const code = await readClipboard(page);
      expect(code).toMatch(/\?auto=1&amp;hush=1&amp;from=42&amp;after=own"/);

      // What the house does always is asked for once; the next is a paste and a copy.
      for (const token of ['starts by itself', 'muted', 'suggests its own channel']) {
        await press(page, 'button', token);
        await press(page, 'button', 'Take it into the house style');
        await page.keyboard.press('Escape');
      }
      const next = counted(page);
      await next.paste(`${host('lanternreel')}/see/f3rryday`);
      await waitForText(page, 'The ferry at first light');
      await waitForCode(page, 'hush=1');
      await next.press('button', 'Copy the code');
      await until(page, async (before: string) => (await navigator.clipboard.readText()) !== before, code);
      expect(next.acts).toHaveLength(2);
      expect(await readClipboard(page)).toMatch(/\?auto=1&amp;hush=1&amp;after=own"/);

      // What is typed holds for whoever goes on without a word, and an editor that is open keeps nobody on the screen.
      await press(page, 'button', 'from the start');
      await find(page, 'textbox', 'Start time');
      await page.keyboard.type('0:07');
      await press(page, 'button', 'suggests its own channel');
      await waitForCode(page, 'from=7');
      await press(page, 'link', 'Shelf');
      await find(page, 'heading', 'Shelf');
    });
  });

  test('a video begins by itself at 0:42, muted, and ends with its own channel only', async () => {
    const code = await onBench(async (page) => {
      await bringIn(page, `${host('lanternreel')}/see/l0wwalk3?ref=letter`);
      await waitForText(page, 'A walk at low water');
      await type(page, 'from the start', 'Start time', '0:42');
      await choose(page, 'waits for a press', 'Autoplay', 'on');
      await choose(page, 'with sound', 'Mute', 'on');
      await choose(page, 'suggests anything', 'Suggestions at the end', 'Same channel');
      await type(page, 'plays to the end', 'End time', '46');
      return copyCode(page);
    });
    expect(code).toContain('<iframe');

    const site = await publish(code);
    const began = await site.until((r) => r.reel === 'rolling');
    expect(misfit(began, { from: 42, muted: true })).toBeNull();
    const over = await site.until((r) => r.reel === 'over', 15_000);
    expect(Number(over.at)).toBeGreaterThanOrEqual(46);
    expect(Number(over.at)).toBeLessThan(47.5);
    const offers = over.offers as { channel: string }[];
    expect(offers.length).toBeGreaterThan(0);
    expect(new Set(offers.map((o) => o.channel))).toEqual(new Set(['quillmarsh-mill']));
    await site.close();
  });

  test('left to the host, the same video waits, has sound, and ends with videos of others', async () => {
    const code = await onBench(async (page) => {
      await bringIn(page, `${host('lanternreel')}/see/n01sydog`);
      await waitForText(page, 'A dog greets the tide');
      await type(page, 'from the start', 'Start time', '42');
      return copyCode(page);
    });
    const site = await publish(code);
    const ready = await site.until((r) => r.reel === 'ready');
    expect(ready.hushed).toBe(false);
    const frame = site.page.frames().find((f) => f.url().includes('/f/'))!;
    await (await frame.waitForSelector('::-p-aria([name="Play"][role="button"])'))!.click();
    const over = await site.until((r) => r.reel === 'over', 15_000);
    expect((over.offers as { channel: string }[]).some((o) => o.channel !== 'wharfside-odds')).toBe(true);
    await site.close();
  });

  test('a recording shows its slim player in the colour asked for, and waits for the visitor', async () => {
    const code = await onBench(async (page) => {
      await bringIn(page, `${host('murmurfold')}/quillmarsh-mill/the-mill-at-night`);
      await waitForText(page, 'The mill at night');
      await choose(page, 'usual player', 'Player size', 'Slim');
      await type(page, 'usual colour', 'Accent colour', '#2f6f7e');
      await choose(page, 'artwork as usual', 'Artwork', 'off');
      return copyCode(page);
    });
    const site = await publish(code);
    const { murmur } = (await site.until((r) => 'murmur' in r)) as { murmur: Report };
    expect(murmur).toMatchObject({ now: 'open', look: 'slim', tint: '#2f6f7e', art: false, track: 'The mill at night' });
    const height = await site.page.$eval('iframe', (frame) => frame.clientHeight);
    expect(height).toBe(150);
    await site.close();
  });

  test('a document opens at its page, without tools', async () => {
    const code = await onBench(async (page) => {
      await bringIn(page, `Please read ${host('foliobarn')}/d/grd-7t1x5w/view, it is short.`);
      await waitForText(page, 'Guide for new millers');
      await type(page, 'opens at page 1', 'Start page', '5');
      await choose(page, 'controls shown', 'Controls', 'off');
      return copyCode(page);
    });
    const site = await publish(code);
    const { folio } = (await site.until((r) => 'folio' in r)) as { folio: Report };
    expect(folio).toMatchObject({ did: 'opened', leaf: 5, bare: true });
    await site.close();
  });
});

describe('the measure itself', () => {
  test('a player whose address spells 0:42 and muted, but which does neither, is found out', async () => {
    const disobedient = await serveForeignPage(
      `<script>parent.postMessage({ reel: 'rolling', at: 0.2, hushed: false }, '*')</script>`,
    );
    const site = await publish(`<iframe src="${disobedient.address}?from=42&amp;hush=1&amp;auto=1" title="disobeys"></iframe>`);
    const began = await site.until((r) => r.reel === 'rolling');
    expect(misfit(began, { from: 42, muted: true })).toBe('muted is false, asked for true');
    expect(misfit({ ...began, hushed: true }, { from: 42, muted: true })).toBe('began at 0.2, asked for 42');
    await site.close();
    await disobedient.stop();
  });

  test('without mute, the browser holds the same video back', async () => {
    const site = await publish(
      `<iframe src="${host('frames.lanternreel')}/f/k7wq2m9d?auto=1&amp;from=42" title="loud" allow="autoplay"></iframe>`,
    );
    expect(await site.until((r) => r.refused === true)).toBeTruthy();
    expect(site.reports.some((r) => r.reel === 'rolling')).toBe(false);
    await site.close();
  });
});
