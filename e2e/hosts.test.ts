import { get, type IncomingMessage } from 'node:http';
import { text } from 'node:stream/consumers';
import type { Page } from 'puppeteer-core';
import { describe, expect, test } from 'vitest';
import { readItems, WRITTEN_ORIGIN } from '../src/standins/world.ts';
import { bringIn, choose, codeOf, copyCode, openToken, type, useBench, waitForCode } from './bench.ts';
import { press, publish, type Report, until, waitForText } from './driver.ts';
import { launchBrowser } from './browser.ts';
import { useServerAndBrowser } from './world.ts';

/** For each host: its links in every form, then settings, then the code in a foreign page, where the player does it. */
const world = useServerAndBrowser(launchBrowser);
const { host } = world;
const { onBench } = useBench(world);

type Site = Awaited<ReturnType<typeof publish>>;

interface Flow {
  id: string;
  /** The item, by its id in the sample world, and the words by which its answer is known on the Bench. */
  item: string;
  title: string;
  settings: (page: Page) => Promise<void>;
  observe: (site: Site) => Promise<void>;
}

/** Presses something within the player. */
async function pressInside(site: Site, name: string): Promise<void> {
  const frame = site.page.frames().find((f) => f !== site.page.mainFrame())!;
  await (await frame.waitForSelector(`::-p-aria([name="${name}"][role="button"])`))!.click();
}

const ask = (site: Site, message: object): Promise<void> =>
  site.page.evaluate((m: object) => document.querySelector('iframe')!.contentWindow!.postMessage(m, '*'), message);

const FLOWS: readonly Flow[] = [
  {
    id: 'lanternreel',
    item: 'n01sydog',
    title: 'A dog greets the tide',
    settings: async (page) => {
      await choose(page, 'waits for a press', 'Autoplay', 'on');
      await choose(page, 'with sound', 'Mute', 'on');
      await type(page, 'from the start', 'Start time', '40');
      await choose(page, 'plays once', 'Loop', 'on');
    },
    observe: async (site) => {
      expect(await site.until((r) => r.reel === 'rolling')).toMatchObject({ hushed: true });
      expect(Number((await site.until((r) => r.reel === 'tick')).at)).toBeGreaterThanOrEqual(39.5);
      await site.until((r) => r.reel === 'again', 15_000);
    },
  },
  {
    id: 'plumbline',
    item: '4410207',
    title: 'The tide mill from the causeway',
    settings: async (page) => {
      await choose(page, 'waits for a press', 'Autoplay', 'on');
      await choose(page, 'with sound', 'Mute', 'on');
      await type(page, 'from the start', 'Start time', '12');
      await choose(page, 'plays once', 'Loop', 'on');
      await type(page, 'usual colour', 'Accent colour', '#2f6f7e');
      await choose(page, 'title as usual', 'Title shown', 'off');
    },
    observe: async (site) => {
      const began = await site.until((r) => (r.plumb as Report | undefined)?.line === 'falling');
      expect(began.plumb).toMatchObject({ quiet: true, tint: '#2f6f7e', heading: false, maker: true });
      expect(Math.abs(Number((began.plumb as Report).sec) - 12)).toBeLessThan(1.5);
      await ask(site, { plumbAsk: { please: 'sway', to: 58.5 } });
      await site.until((r) => (r.plumb as Report | undefined)?.line === 'rewound');
    },
  },
  {
    id: 'murmurfold',
    item: 'estuary-ferry/bell-in-fog',
    title: 'A bell in the fog',
    settings: async (page) => {
      await choose(page, 'usual player', 'Player size', 'Slim');
      await choose(page, 'artwork as usual', 'Artwork', 'off');
    },
    observe: async (site) => {
      const { murmur } = (await site.until((r) => 'murmur' in r)) as { murmur: Report };
      expect(murmur).toMatchObject({ look: 'slim', art: false });
    },
  },
  {
    id: 'earbrook',
    item: 'millers-diary-3',
    title: 'A stone with a temper',
    settings: async (page) => {
      await choose(page, 'usual theme', 'Theme', 'Dark');
      await type(page, 'usual colour', 'Accent colour', '#aa3366');
      await type(page, 'from the start', 'Start time', '6');
      await choose(page, 'suggests anything', 'Suggestions at the end', 'Nothing');
    },
    observe: async (site) => {
      expect(await site.until((r) => r.ear === 'pricked')).toMatchObject({ look: 'night', tint: '#aa3366', more: false });
      await pressInside(site, 'Listen');
      expect(Number((await site.until((r) => r.ear === 'hearing' && Number(r.t) > 0)).t)).toBeGreaterThanOrEqual(5.5);
      expect(await site.page.$eval('iframe', (frame) => frame.clientHeight)).toBe(180);
    },
  },
  {
    id: 'foliobarn',
    item: 'rcp-9n3d1f',
    title: 'Recipes for tide-milled flour',
    settings: (page) => type(page, 'opens at page 1', 'Start page', '6'),
    observe: async (site) => {
      const { folio } = (await site.until((r) => 'folio' in r)) as { folio: Report };
      expect(folio).toMatchObject({ did: 'opened', leaf: 6 });
    },
  },
  {
    id: 'deckmoor',
    item: 'rest2401',
    title: 'Restoration in twenty-four slides',
    settings: async (page) => {
      await type(page, 'opens at page 1', 'Start page', '23');
      await choose(page, 'waits for a press', 'Autoplay', 'on');
      await type(page, 'turned by hand', 'Interval', '0.6s');
      await choose(page, 'plays once', 'Loop', 'on');
      await choose(page, 'moves as usual', 'Movement', 'Fixed path');
    },
    observe: async (site) => {
      expect(await site.until((r) => r.deck === 'walking')).toMatchObject({ slide: 23, every: 600, roam: false });
      await site.until((r) => r.deck === 'sheet' && r.slide === 24);
      await site.until((r) => r.deck === 'sheet' && r.slide === 1);
    },
  },
  {
    id: 'gatherfold',
    item: 'AN1126',
    title: 'Autumn newsletter',
    settings: async (page) => {
      await type(page, 'opens at page 1', 'Start page', '5');
      await choose(page, 'usual spread', 'Pages at once', 'One page');
      await choose(page, 'page notes as usual', 'Page notes', 'on');
      await type(page, 'no background', 'Background', '#334455');
    },
    observe: async (site) => {
      expect(await site.until((r) => r.fold === 'turned')).toMatchObject({ page: 5, spread: 1, cues: true, ground: '#334455' });
    },
  },
  {
    id: 'askmeadow',
    item: 'br3ado',
    title: 'Order bread for the festival',
    settings: async (page) => {
      await openToken(page, 'usual height', 'Height in pixels');
      await waitForText(page, 'as high as its content on a phone');
      await (await page.$('.offers .offer'))!.click();
      await press(page, 'button', 'Done');
    },
    observe: async (site) => {
      await site.until((r) => 'meadow' in r);
      // The form grows until its style has come.
      await new Promise((done) => setTimeout(done, 600));
      const { meadow } = site.reports.filter((r) => 'meadow' in r).at(-1) as { meadow: Report };
      const height = await site.page.$eval('iframe', (frame) => frame.clientHeight);
      // High enough for a phone, where its lines break; so no scroll bar here, and little room to spare.
      expect(height).toBeGreaterThanOrEqual(Number(meadow.px));
      expect(height - Number(meadow.px)).toBeLessThan(60);
    },
  },
  {
    id: 'waymoss',
    item: 'ferry-landing',
    title: 'Where the ferry lands',
    settings: async (page) => {
      await type(page, 'usual zoom', 'Map zoom', '17');
      await type(page, 'usual mark', 'Marker', 'Here & now');
      await choose(page, 'usual map', 'Map style', 'Relief');
    },
    observe: async (site) => {
      expect(await site.until((r) => r.moss === 'drawn')).toMatchObject({
        z: 17,
        mark: 'Here & now',
        style: 'relief',
        lat: 48.2344,
      });
    },
  },
  {
    id: 'airwherry',
    item: 'tidewater-radio',
    title: 'Tidewater Radio',
    settings: async (page) => {
      await type(page, 'usual name', 'Name shown', 'The mill on air');
      await choose(page, 'waits for a press', 'Autoplay', 'on');
      await choose(page, 'with sound', 'Mute', 'on');
    },
    observe: async (site) => {
      expect(await site.until((r) => r.wherry === 'moored')).toMatchObject({ hush: true, name: 'The mill on air' });
      // Sound from another origin is held back by the browser, muted or not.
      await site.until((r) => r.refused === true);
    },
  },
  {
    id: 'loopwick',
    item: '7stn4',
    title: 'Stone turning',
    settings: (page) => type(page, 'no width set', 'Width in pixels', '300'),
    observe: async (site) => {
      expect(await site.until((r) => r.wick === 'lit')).toMatchObject({ silent: true });
      await site.until((r) => r.wick === 'burns' && Number(r.rounds) > 0);
      expect(await site.page.$eval('iframe', ({ clientWidth, clientHeight }) => [clientWidth, clientHeight])).toEqual([300, 300]);
    },
  },
  {
    id: 'albumfen',
    item: '5550123',
    title: 'First loaves out',
    settings: async (page) => {
      await choose(page, 'header as usual', 'Header', 'off');
      await choose(page, 'footer as usual', 'Footer', 'off');
      await choose(page, 'usual picture size', 'Size of pictures', '360 px');
    },
    observe: async (site) => {
      const { fen } = (await site.until((r) => 'fen' in r)) as { fen: Report };
      expect(fen).toMatchObject({ photo: '5550123', head: false, foot: false, size: 360, of: 4 });
      expect(await site.page.$eval('[data-fen-show]', (show) => show.clientWidth)).toBe(360);
    },
  },
  {
    id: 'spoolnote',
    item: 'tsd401',
    title: 'The stone dresser talks',
    settings: async (page) => {
      await openToken(page, 'usual panels', 'Panels');
      await press(page, 'button', 'Topics');
      await press(page, 'button', 'People');
      await press(page, 'button', 'Done');
      await type(page, 'usual colour', 'Accent colour', '#446622');
      await type(page, 'from the start', 'Start time', '24');
    },
    observe: async (site) => {
      const { spool } = (await site.until((r) => (r.spool as Report | undefined)?.now === 'threaded')) as { spool: Report };
      expect(spool).toMatchObject({ panels: ['topics', 'people'], tint: '#446622' });
      await pressInside(site, 'Wind');
      const running = await site.until((r) => Number((r.spool as Report | undefined)?.s) > 1);
      expect(Number((running.spool as Report).s)).toBeGreaterThanOrEqual(23.5);
    },
  },
];

/** What the server answers under an address, asked for without a browser. */
async function served(address: string): Promise<string> {
  const { host: name, port, pathname, search } = new URL(address);
  const answer = await new Promise<IncomingMessage>((done, fail) => {
    get({ host: '127.0.0.1', port, path: pathname + search, headers: { Host: name } }, done).on('error', fail);
  });
  return text(answer);
}

const items = readItems(WRITTEN_ORIGIN);

describe('from any link of a host to a page that behaves', () => {
  test('is walked for every host', () => {
    expect(FLOWS.map(({ id }) => id).sort()).toEqual([...new Set(items.map((item) => item.host))].sort());
  });

  test.each(FLOWS)('$id', async ({ id, item, title, settings, observe }) => {
    const links = readItems(world.server.address).find((one) => one.host === id && one.id === item)!.links;
    const code = await onBench(async (page) => {
      const [plain, ...others] = links.filter((link) => !link.endsWith('/edit'));
      for (const link of [...others, plain!]) {
        await bringIn(page, link);
        await until(page, (wanted: string) => document.querySelector<HTMLTextAreaElement>('#paste')!.value === wanted, link);
        await waitForCode(page, title.split(/[&’]/)[0]!);
        const address = /\b(?:src|href)="([^"]*)"/.exec(await codeOf(page))![1]!.replaceAll('&amp;', '&');
        // Whatever form the link had, its code leads to the item itself.
        expect(await served(address), link).toContain(`<title>${title.replace(/&/g, '&amp;')}`);
      }
      await settings(page);
      return copyCode(page);
    });
    const site = await publish(world.browser, code);
    await observe(site);
    await site.close();
  });
});

describe('quirks of hosts', () => {
  const withLink = (pasted: string, work: (page: Page) => Promise<void>): Promise<void> =>
    onBench(async (page) => {
      await bringIn(page, pasted);
      await work(page);
    });

  test('a talk shows only where its page is named, and the site is named for it', () =>
    withLink(`${host('airwherry')}/station/sluice-watch/talk`, async (page) => {
      await waitForText(page, 'Talk beside the sluice camera');
      await waitForText(page, 'on tidemill.example');
      const elsewhere = await copyCode(page);
      expect(elsewhere).toContain('on=tidemill.example');
      await type(page, 'on tidemill.example', 'Page’s own domain', 'localhost');
      const here = await copyCode(page);
      const [shown, blank] = await Promise.all([publish(world.browser, here), publish(world.browser, elsewhere)]);
      expect(await shown.until((r) => r.wherry === 'talking')).toMatchObject({ on: 'localhost' });
      expect(blank.reports).toEqual([]);
      await Promise.all([shown.close(), blank.close()]);
    }));

  test.each([
    [
      'an unlisted film without its key',
      () => `${host('plumbline')}/4410555`,
      'This film is unlisted and is shown only with its key.',
    ],
    ['an episode before its date', () => `${host('earbrook')}/show/millers-diary/12`, 'Not out before 2027-01-11'],
    [
      'a document that is not released',
      () => `${host('foliobarn')}/d/pln-2c8v6b/view`,
      'release it to everybody, and use the released link',
    ],
    ['a form that is closed', () => `${host('askmeadow')}/ask/fer0ld`, 'This form is closed, and takes no more answers.'],
    ['a station over http', () => `${host('airwherry')}/station/ferry-band`, 'This station sends over http alone'],
    ['a chat', () => `${host('airwherry')}/station/sluice-watch/talk`, 'must sign in on Airwherry to write'],
    [
      'a reel that is gone',
      () => `${host('lanternreel')}/see/aaaaaaaa`,
      'There is nothing at this address any more (the host answers 404).',
    ],
    ['an address that moved', () => `<iframe src="${host('postern')}/old/sea-wall"></iframe>`, 'It has moved for good'],
    [
      'one that refuses frames',
      () => `<iframe src="${host('postern')}/closed/sea-wall"></iframe>`,
      'The host does not let pages of tidemill.example frame it',
    ],
    [
      'the sample of the instructions',
      () => `<iframe src="${host('airwherry')}/talk?station=your-station"></iframe>`,
      '“your-station” is the sample',
    ],
  ])('%s is told, with what to do', (_, pasted, sentence) => withLink(pasted(), (page) => waitForText(page, sentence)));

  test.each([
    ['oembed', 'by=oembed'],
    ['graph', 'by=graph'],
    ['data', 'by=data'],
  ])('the page of a host that is not known yet says by %s where its player is', (way, parameter) =>
    withLink(`${host('postern')}/walk/${way}`, async (page) => {
      await waitForText(page, 'where its player is');
      await press(page, 'button', `Use postern.localhost:${world.server.port}/player/sea-wall`);
      await waitForCode(page, parameter);
    }),
  );
});
