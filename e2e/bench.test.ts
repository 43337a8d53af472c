import { describe, expect, test } from 'vitest';
import { bringIn, choose, codeOf, copyCode, openToken, type, useBench, waitForCode, waitForNoCode } from './bench.ts';
import { find, goTo, newVisitor, paste, press, reload, startServer, until, waitForNoText, waitForText } from './driver.ts';
import { useServerAndBrowser } from './world.ts';

const world = useServerAndBrowser();

const { host } = world;
const video = (): string => `${host('lanternreel')}/see/k7wq2m9d`;

const { onBench, anew } = useBench(world);

describe('the first start', () => {
  test('opens on an example with a running preview, and an address of its own', () =>
    anew(async (page) => {
      await waitForText(page, 'Opening the sluice');
      await waitForText(page, 'standing still, at 0:12');
      expect(new URL(page.url()).pathname).toBe('/bench/example');
      expect(await codeOf(page)).toContain('from=12');
    }));
});

describe('bringing in', () => {
  test('pasting anywhere on the Bench begins a new embed', () =>
    anew(async (page) => {
      // At first nothing has the focus; then what was pressed has it.
      await waitForText(page, 'Opening the sluice');
      await paste(page, `${host('foliobarn')}/d/rcp-9n3d1f/released`);
      await waitForText(page, 'Recipes for tide-milled flour');
      await page.click('.code-foot');
      await paste(page, `${host('murmurfold')}/estuary-ferry/bell-in-fog`);
      await waitForText(page, 'A bell in the fog');
      expect(new URL(page.url()).pathname).not.toBe('/bench/example');
    }));

  test.each([
    ['prose without a link', 'We open at eight.', 'There is neither a link nor embed code in this text.'],
    ['a broken identifier', 'LINK/see/k7wq2', '“k7wq2” is not complete'],
    ['an address that runs code', 'javascript:alert(1)', 'An address that begins with javascript: could run code'],
    ['code of an unsupported kind', '<script src="https://a.example/b.js"></script>', 'This code loads a script'],
  ])('%s gets its sentence beside the paste line', (_, text, sentence) =>
    onBench(async (page) => {
      await bringIn(page, video());
      await waitForText(page, 'Opening the sluice');
      await bringIn(page, text.replace('LINK', host('lanternreel')));
      await waitForText(page, sentence);
      await press(page, 'button', 'Undo');
      await waitForText(page, 'Opening the sluice');
    }),
  );

  test('an edit link is refused, and one press takes the released link instead', () =>
    onBench(async (page) => {
      await bringIn(page, `${host('foliobarn')}/d/vst-4m2k9q/edit`);
      await waitForText(page, 'visitors would be asked to sign in');
      await press(page, 'button', `Use foliobarn.localhost:${world.server.port}/d/vst-4m2k9q/released`);
      await waitForText(page, 'Visitor leaflet');
    }));

  test('a host that nobody knows can still be framed, with its parameters', () =>
    onBench(async (page) => {
      await bringIn(page, 'http://media.example/show?x=1');
      await waitForText(page, 'a host that is not known yet');
      await waitForText(page, 'The page is loaded over https and media.example over http');
      await press(page, 'button', 'Use https');
      await waitForCode(page, 'https://media.example/show?x=1');
    }));

  test('five million characters do not stop it', () =>
    onBench(async (page) => {
      await page.evaluate(
        (link: string) => {
          const data = new DataTransfer();
          data.setData('text/plain', `${'word '.repeat(999_980)} ${link}`);
          document.querySelector('.bench')!.dispatchEvent(new ClipboardEvent('paste', { clipboardData: data, bubbles: true }));
        },
        `${host('lanternreel')}/see/f3rryday`,
      );
      await waitForText(page, 'The ferry at first light', 20_000);
    }));

  test('several links in one text are all listed, and one is chosen', () =>
    onBench(async (page) => {
      await bringIn(page, `First ${video()} and then ${host('lanternreel')}/see/f3rryday.`);
      await waitForText(page, '2 found');
      await page.select('.candidates select', '1');
      await waitForText(page, 'The ferry at first light');
    }));
});

describe('settings', () => {
  test('a conflict shows its fix; undo and redo cover it', () =>
    onBench(async (page) => {
      await bringIn(page, video());
      await waitForText(page, 'Opening the sluice');
      await choose(page, 'waits for a press', 'Autoplay', 'on');
      await waitForText(page, 'It is to start by itself with sound.');
      await press(page, 'button', 'Start muted');
      await waitForCode(page, 'hush=1');
      await page.keyboard.down('Control');
      await page.keyboard.press('z');
      await page.keyboard.up('Control');
      await waitForNoCode(page, 'hush=1');
      await press(page, 'button', 'Redo');
      await waitForCode(page, 'hush=1');
    }));

  test('what the host does only in part says what really happens, with its date', () =>
    anew(async (page) => {
      await bringIn(page, video());
      await waitForText(page, 'Opening the sluice');
      await choose(page, 'suggests anything', 'Suggestions at the end', 'Nothing');
      await openToken(page, 'suggests nothing in part', 'Suggestions at the end');
      await waitForText(page, 'the nearest is to show only those of the same channel. (since 2024-11-18)');
    }));

  test('a finding that comes later moves none away from under the pointer', () =>
    onBench(async (page) => {
      const findings = (): Promise<string[]> =>
        page.$$eval('.finding', (rows) => rows.map((row) => (row as HTMLElement).dataset.severity!));
      await bringIn(page, `${video()}?lamp=1`);
      await waitForText(page, 'Opening the sluice');
      await choose(page, 'waits for a press', 'Autoplay', 'on');
      await waitForText(page, 'It is to start by itself with sound.');
      expect(await findings()).toEqual(['error', 'note']);
      await press(page, 'button', 'Undo');
      await waitForNoText(page, 'It is to start by itself with sound.');
      await page.hover('.finding');
      await page.keyboard.down('Control');
      await page.keyboard.down('Shift');
      await page.keyboard.press('z');
      await page.keyboard.up('Shift');
      await page.keyboard.up('Control');
      await waitForText(page, 'It is to start by itself with sound.');
      expect(await findings()).toEqual(['note', 'error']);
      await page.mouse.move(5, 5);
      await until(page, () => document.querySelector<HTMLElement>('.finding')!.dataset.severity === 'error');
    }));

  test('the marks of the rail move by keys and by dragging, each drag one step', () =>
    anew(async (page) => {
      await bringIn(page, video());
      const end = await find(page, 'slider', 'End');
      await end.focus();
      await page.keyboard.press('ArrowLeft');
      await waitForCode(page, 'until=203');
      const start = await find(page, 'slider', 'Start');
      const box = (await start.boundingBox())!;
      await page.mouse.move(box.x + 12, box.y + 12);
      await page.mouse.down();
      await page.mouse.move(box.x + 60, box.y + 12, { steps: 5 });
      await page.mouse.move(box.x + 112, box.y + 12, { steps: 5 });
      await page.mouse.up();
      const from = Number(/from=(\d+)/.exec(await codeOf(page))?.[1]);
      expect(from).toBeGreaterThan(15);
      await press(page, 'button', 'Undo');
      await waitForNoCode(page, 'from=');
    }));

  test('pointing at a token lights up its code, and pointing at code its token', () =>
    anew(async (page) => {
      await bringIn(page, `${video()}?at=9s`);
      await (await find(page, 'button', 'begins at 0:09')).hover();
      await page.waitForSelector('.code-part[data-origin="start"][data-pointed="true"]');
      await (await page.waitForSelector('.code-part[data-origin="start"]'))!.hover();
      await page.waitForSelector('#token-start[data-pointed="true"]');
      await waitForText(page, 'begins at 0:09: sent as from=9. The host does this.');
    }));

  test('a change of size does not reload the player; a change of playback does', () =>
    anew(async (page) => {
      await bringIn(page, video());
      await waitForText(page, 'Opening the sluice');
      await press(page, 'button', 'Play the preview without sound');
      await waitForText(page, 'In the preview: playing');
      const scale = () => page.$eval('.sheet iframe', (frame) => frame.style.transform);
      const before = await scale();
      const handle = await find(page, 'slider', 'Width of the embed');
      await handle.focus();
      await page.keyboard.down('Shift');
      for (let i = 0; i < 30; i++) await page.keyboard.press('ArrowLeft');
      await page.keyboard.up('Shift');
      await waitForCode(page, 'max-width:');
      await new Promise((done) => setTimeout(done, 600));
      await waitForText(page, 'In the preview: playing');
      // The page keeps its scale under the hand, and finds a better one afterwards.
      expect(await scale()).toBe(before);
      await handle.evaluate((element) => (element as HTMLElement).blur());
      await until(page, (was) => document.querySelector<HTMLElement>('.sheet iframe')!.style.transform !== was, before);
      await type(page, 'from the start', 'Start time', '1:00');
      await waitForText(page, 'In the preview: standing still, at 1:00');
    }));
});

describe('keeping', () => {
  test('a reload and a closed tab bring the work back, and the Shelf has it', async () => {
    const { context, page } = await newVisitor(world.browser);
    await goTo(page, world.server.address);
    await bringIn(page, `${host('lanternreel')}/see/f3rryday`);
    await waitForText(page, 'The ferry at first light');
    await type(page, 'from the start', 'Start time', '31');
    await new Promise((done) => setTimeout(done, 300));
    await reload(page);
    await waitForCode(page, 'from=31');
    await page.close();
    const again = await context.newPage();
    await goTo(again, world.server.address);
    await waitForCode(again, 'from=31');
    await press(again, 'link', 'Shelf');
    await waitForText(again, 'The ferry at first light');
    await press(again, 'button', 'More on The ferry at first light');
    await press(again, 'button', 'Remove The ferry at first light');
    await waitForText(again, 'is off the Shelf');
    await press(again, 'button', 'Put it back');
    await press(again, 'link', 'The ferry at first light');
    await waitForCode(again, 'from=31');
    await again.goBack();
    await waitForText(again, '1 embed');
    await context.close();
  });

  test('without a store, everything works, and it is said that nothing is kept', async () => {
    const { context, page } = await newVisitor(world.browser);
    await page.evaluateOnNewDocument(() => {
      IDBFactory.prototype.open = () => {
        throw new DOMException('not here', 'SecurityError');
      };
    });
    await goTo(page, world.server.address);
    await waitForText(page, 'This window keeps no data');
    await bringIn(page, `${host('lanternreel')}/see/f3rryday`);
    await waitForText(page, 'The ferry at first light');
    expect(await copyCode(page)).toContain('f3rryday');
    await context.close();
  });

  test('when the server goes, it is said, and nothing is lost', async () => {
    const other = await startServer();
    const { context, page } = await newVisitor(world.browser);
    await goTo(page, other.address);
    await waitForText(page, 'Opening the sluice');
    // What opens over the Bench is fetched once the Bench is seen.
    await page.waitForNetworkIdle();
    await other.stop();
    await waitForText(page, 'The server of Refenestra does not answer', 15_000);
    await type(page, 'begins at 0:12', 'Start time', '33');
    expect(await codeOf(page)).toContain('from=33');
    await context.close();
  });
});
