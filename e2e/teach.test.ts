import type { Page } from 'puppeteer-core';
import { describe, expect, test } from 'vitest';
import { bringIn, choose, copyCode, openBench, type, waitForCode } from './bench.ts';
import {
  find,
  goTo,
  lookIntoFrames,
  newVisitor,
  paste,
  press,
  publish,
  until,
  waitFor,
  waitForNoText,
  waitForText,
} from './driver.ts';
import { useServerAndBrowser } from './world.ts';

const world = useServerAndBrowser();

/** The codes that the share page of a host shows, as somebody would copy them. */
async function shareBox(link: string): Promise<string[]> {
  const { context, page } = await newVisitor(world.browser);
  await goTo(page, link);
  const codes = await page.$$eval('textarea', (fields) => fields.map((field) => field.value));
  await context.close();
  return codes;
}

async function withBench(work: (page: Page) => Promise<void>): Promise<void> {
  const { context, page } = await newVisitor(world.browser);
  await openBench(page, world.server.address);
  await waitForText(page, 'Opening the sluice');
  await work(page);
  await context.close();
}

/** Five acts: the link, Teach this host, the codes of the share box, what they do, and Keep. */
async function teach(page: Page, link: string): Promise<void> {
  const codes = await shareBox(link);
  await bringIn(page, link);
  await press(page, 'link', 'Teach this host');
  await (await find(page, 'textbox', 'Links and embed codes, in any order')).focus();
  await paste(page, codes.join('\n'));
  await press(page, 'button', 'That is right');
  await press(page, 'button', 'Keep this host');
}

describe('a host in nobody’s book', () => {
  test('is taught from the Bench by what its share page shows, and obeys', () =>
    withBench(async (page) => {
      const link = `${world.host('quernhill')}/films/the-mill-from-the-causeway-731205`;
      await teach(page, link);
      await waitForText(page, 'waits for a press');
      await choose(page, 'waits for a press', 'Autoplay', 'on');
      await choose(page, 'with sound', 'Mute', 'on');
      await choose(page, 'suggests anything', 'Suggestions at the end', 'Nothing');
      await type(page, 'from the start', 'Start time', '0:12');
      const code = await copyCode(page);
      expect(code).toContain('/731205/hush,run?then=none#0:12');
      const { until, close } = await publish(world.browser, code);
      const { line } = await until(({ line: said }) => /^quern 21 .* 1$/.test(String(said)));
      expect(Number(String(line).split(' ')[2])).toBeGreaterThanOrEqual(12);
      await close();
    }));

  test('is listened to by somebody who plays it, and proved from then on by its player', () =>
    withBench(async (page) => {
      await teach(page, `${world.host('quernhill')}/films/the-mill-from-the-causeway-731205`);
      await waitForText(page, 'waits for a press');
      await press(page, 'link', 'Listen to its player');
      await press(page, 'button', 'Listen to its player');
      const player = await page.waitForFrame((frame) => frame.url().includes('stage.quernhill'));
      const film = (work: (film: HTMLVideoElement) => void): Promise<void> => player.$eval('video', work as never);
      const says = (many: number): Promise<void> =>
        until(page, (n) => Number(/something (\d+) times/.exec(document.body.innerText)?.[1]) >= n, many);
      await player.waitForSelector('video');
      // A person looks before they say what the player does; by then its messages are there.
      const act = async (part: 'press' | 'hush'): Promise<void> => {
        await (await player.$(`[data-part="${part}"]`))!.click();
        await new Promise((done) => setTimeout(done, 1500));
      };
      await act('press');
      await says(8);
      await press(page, 'button', 'It has played');
      await act('press');
      await press(page, 'button', 'It is paused');
      await act('hush');
      await act('press');
      await film((one) => (one.currentTime = one.duration - 1));
      await press(page, 'button', 'It is muted');
      await player.waitForSelector('.after');
      await player.waitForFunction(() => document.querySelector('video')!.ended);
      await press(page, 'button', 'It is over');
      for (const words of [
        '“21” says that it plays',
        '“22” says that it is paused',
        '“40” says that it is over',
        '“3” is the duration',
      ])
        await waitForText(page, words);
      await press(page, 'button', 'Keep what was heard');
      await press(page, 'button', 'Test it');
      await waitForText(page, 'All 3 examples passed. Its player did 3 of 3 things as asked.');
    }));

  test('whose links hold less than its frames is set by its codes, and its pages are asked for them', () =>
    withBench(async (page) => {
      const link = `${world.host('brackwater')}/?e=5f0c7a52-1d34-4b8e-9a61-70b2c8d91e40`;
      await teach(page, link);
      await bringIn(page, `${world.host('brackwater')}/?e=c81e0b93-6f27-4d15-8f0e-2a9d54b7f318`);
      await waitForCode(page, `play.brackwater.localhost:${world.server.port}/x/88120`);
      await choose(page, 'waits for a press', 'Autoplay', 'on');
      await type(page, 'from the start', 'Start time', '0:05');
      const code = await copyCode(page);
      const [, cfg] = /\/x\/88120\?cfg=([\w-]+)"/.exec(code)!;
      expect(JSON.parse(Buffer.from(cfg!, 'base64url').toString())).toEqual({ a: true, t: 5000 });
      const { until, close } = await publish(world.browser, code);
      await until(({ line }) => String(line).startsWith('["brack","open"'));
      await close();
    }));

  test('that has one parameter for all is taught, and obeys', () =>
    withBench(async (page) => {
      const link = `${world.host('withyband')}/d/hgtrwq?lang=en`;
      await teach(page, link);
      await bringIn(page, `${world.host('withyband')}/d/wb-2041-77?lang=en`);
      await waitForText(page, 'waits for a press');
      await choose(page, 'waits for a press', 'Autoplay', 'on');
      const code = await copyCode(page);
      expect(code).toContain('/?doc=wb-2041-77&amp;opts=go');
    }));

  test('is tried without and with a setting that nobody has an example of, and kept by what was seen', () =>
    withBench(async (page) => {
      await teach(page, `${world.host('quernhill')}/films/the-mill-from-the-causeway-731205`);
      await waitForText(page, 'waits for a press');
      await goTo(page, `${world.server.address}/hosts/quernhill`);
      await (await find(page, 'combobox', 'Which setting')).select('accent');
      await (await find(page, 'textbox', 'Its value')).type('#c02040');
      await press(page, 'button', 'Find spellings');
      await press(page, 'button', 'shade=c02040');
      const shadeOf = (query: string): Promise<string> =>
        waitFor(`the player of ${query}`, async () => {
          const [shade] = await lookIntoFrames(page.browserContext(), `${world.host('stage.quernhill')}/731205/${query}`, () =>
            document.querySelector('video')
              ? getComputedStyle(document.documentElement).getPropertyValue('--shade').trim() || 'none'
              : null,
          );
          return shade;
        });
      const without = await shadeOf('');
      expect(await shadeOf('?shade=c02040')).toBe(without);
      await (await find(page, 'textbox', 'Another')).type('shade=%23c02040');
      await press(page, 'button', 'shade=%23c02040');
      expect(await shadeOf('?shade=%23c02040')).toBe('#c02040');
      await press(page, 'button', 'It does what was asked');
      await waitForText(page, 'It was seen to do so, beside the player without it.');
    }));

  test('comes in by a card library, whose update shows what would change', () =>
    withBench(async (page) => {
      const library = `${world.host('packhorse')}/cards.json`;
      const look = async (): Promise<void> => {
        await goTo(page, `${world.server.address}/hosts/libraries`);
        const field = await find(page, 'textbox', 'Address of the list');
        await field.type(library);
        await press(page, 'button', 'Look at it');
      };
      await look();
      await waitForText(page, 'version 1, new here');
      await press(page, 'button', 'Import 3 cards');
      await waitForText(page, 'Nothing is new');
      await goTo(page, world.server.address);
      await bringIn(page, `${world.host('qrn')}/4902117`);
      await waitForText(page, 'waits for a press');
      await waitForNoText(page, 'No card knows this host');
      const keeper = await newVisitor(world.browser);
      await goTo(keeper.page, `${world.host('packhorse')}/`);
      await press(keeper.page, 'button', 'Put the next edition out');
      await waitForText(keeper.page, 'This is edition 2.');
      await keeper.context.close();
      await look();
      await waitForText(page, 'version 2, brought up to date');
      await waitForText(page, 'Controls: new');
      await press(page, 'button', 'Import 1 card');
      await waitForText(page, 'Nothing is new');
    }));

  test('says what a parameter may do, and one press makes it a setting', () =>
    withBench(async (page) => {
      await bringIn(page, `<iframe src="https://ember.example/e/4412?t=30" width="560" height="315"></iframe>`);
      await waitForText(page, 'What does it do?');
      await press(page, 'button', 'begins at 0:30');
      await waitForNoText(page, 'No card knows this host');
      await waitForText(page, 'begins at 0:30');
      await bringIn(page, `<iframe src="https://ember.example/e/9001" width="560" height="315"></iframe>`);
      await waitForText(page, 'from the start');
    }));

  test('is offered what most hosts have, as guesses, and sends none that nobody chose', () =>
    withBench(async (page) => {
      await bringIn(page, `<iframe src="https://ember.example/e/4412" width="560" height="315"></iframe>`);
      await waitForText(page, 'Guesses. None is sent unless you choose it');
      expect(await copyCode(page)).not.toContain('muted');
      await press(page, 'button', 'muted muted=1');
      await waitForText(page, 'a guess');
      expect(await copyCode(page)).toContain('src="https://ember.example/e/4412?muted=1"');
    }));
});

test('a name that is no link is looked for at all hosts that can be searched, and comes onto the Bench', () =>
  withBench(async (page) => {
    for (const [words, title, code] of [
      ['ferry first light', 'The ferry at first light', 'frames.lanternreel'],
      ['rye', 'Rye, reluctantly', 'player.earbrook'],
      ['flour falling', 'Flour falling', 'loopwick'],
      ['how to find us', 'How to find us', 'waymoss'],
    ] as const) {
      await bringIn(page, words);
      await press(page, 'button', 'all 4 hosts');
      await press(page, 'button', title);
      await waitForCode(page, code);
    }
  }));
