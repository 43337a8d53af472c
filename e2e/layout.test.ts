import type { Page } from 'puppeteer-core';
import { beforeAll, describe, expect, test } from 'vitest';
import { bringIn, openBench } from './bench.ts';
import { find, newVisitor, until } from './driver.ts';
import { useServerAndBrowser } from './world.ts';

const world = useServerAndBrowser();
const SIZES = [
  [1024, 700],
  [1280, 800],
  [1440, 900],
  [1920, 1080],
  [390, 844],
] as const;

/** One of each kind that stands differently in a page. */
const PASTED = {
  video: 'lanternreel/see/k7wq2m9d',
  upright: 'lanternreel/upright/u4wheel0',
  sound: 'murmurfold/quillmarsh-mill/the-mill-at-night',
  document: 'foliobarn/d/vst-4m2k9q/view',
  form: 'askmeadow/ask/mill4d',
  booklet: 'gatherfold/read/AN1126',
  album: 'albumfen/by/saltings-bakehouse/album/204118',
} as const;
type Kind = keyof typeof PASTED | 'unknown';
const KINDS = [...Object.keys(PASTED), 'unknown'] as Kind[];

interface Measures {
  scale: number;
  /** Share of the embed's height that is in sight. */
  seen: number;
  /** Whether the heading above it is in sight. */
  headed: boolean;
  /** Settings that are laid out. */
  tokens: number;
  /** Words that are cut off, or stand over the edge of the window. */
  cut: string[];
}

/** What a publisher sees of the Bench at the size of the window. */
function measure(): Measures {
  const stage = document.querySelector('.stage')!.getBoundingClientRect();
  const middle = (name: string): { x: number; y: number } => {
    const { left, top, width, height } = document.querySelector(name)!.getBoundingClientRect();
    return { x: left + width / 2, y: top + height / 2 };
  };
  const [above, below] = [middle('.handle-above').y, middle('.handle-shape').y];
  const seen = (Math.min(below, stage.bottom) - Math.max(above, stage.top)) / (below - above);
  const cut = [...document.querySelectorAll<HTMLElement>('main button, main label, main h2, main p, main small, main li, nav a')]
    .filter((element) => !element.closest('.anatomy, .cm-editor, .stage, .hidden-words') && element.offsetParent !== null)
    .filter((element) => {
      const { left, right } = element.getBoundingClientRect();
      const hidden = element.scrollWidth > element.clientWidth + 1 && getComputedStyle(element).overflowX !== 'visible';
      return hidden || right > innerWidth + 1 || left < -1;
    })
    .map((element) => `${element.className}: ${element.textContent.slice(0, 40)}`);
  const sheet = document.querySelector('.sheet[data-part="main"] iframe')!;
  return {
    scale: new DOMMatrix(getComputedStyle(sheet).transform).a,
    seen: Math.min(1, seen),
    headed: above > stage.top,
    tokens: document.querySelectorAll('.stations .token:not(.station-more)').length,
    cut,
  };
}

/** Waits until nothing of it moves any more. */
async function settled(page: Page): Promise<Measures> {
  let before = '';
  for (;;) {
    await new Promise((done) => setTimeout(done, 150));
    const now = await page.evaluate(measure).catch(() => null);
    if (now && JSON.stringify(now) === before) return now;
    before = JSON.stringify(now);
  }
}

describe('the page leads', () => {
  const found = new Map<string, Measures>();
  const at = (kind: Kind, width: number): Measures => found.get(`${kind} ${width}`)!;

  beforeAll(async () => {
    const { page, context } = await newVisitor(world.browser);
    await openBench(page, world.server.address);
    for (const kind of KINDS) {
      const [, host, path] = kind === 'unknown' ? [] : (/^(\w+)(\/.*)$/.exec(PASTED[kind]) ?? []);
      await bringIn(
        page,
        kind === 'unknown'
          ? '<iframe src="https://media.example/tide" width="640" height="360"></iframe>'
          : `${world.host(host!)}${path}`,
      );
      await find(page, 'slider', 'Shape of the embed');
      for (const [width, height] of SIZES) {
        await page.setViewport({ width, height });
        await until(page, (wide: number) => innerWidth === wide, width);
        found.set(`${kind} ${width}`, await settled(page));
      }
    }
    await context.close();
  }, 150_000);

  test('a video is seen whole, with the heading above it, at 55 % of its size at 1024 px, 75 % at 1280, and all of it at 1920', () => {
    const scales = [1024, 1280, 1440, 1920].map((width) => {
      const { scale, seen, headed } = at('video', width);
      expect({ width, seen, headed }).toEqual({ width, seen: 1, headed: true });
      return scale;
    });
    expect(scales[0]).toBeGreaterThanOrEqual(0.55);
    expect(scales[1]).toBeGreaterThanOrEqual(0.75);
    expect(scales[2]).toBeGreaterThanOrEqual(0.75);
    expect(scales[3]).toBe(1);
  });

  test.each(['upright', 'sound', 'album', 'booklet', 'unknown'] as const)(
    'of the kind “%s” all is seen from 1280 px on',
    (kind) => {
      for (const width of [1280, 1440, 1920]) expect({ width, seen: at(kind, width).seen }).toEqual({ width, seen: 1 });
    },
  );

  test.each(KINDS)('nothing is cut off of the kind “%s”, at any width', (kind) => {
    expect(SIZES.flatMap(([width]) => at(kind, width).cut.map((words) => `${width}: ${words}`))).toEqual([]);
  });

  test.each(KINDS)('few settings are laid out of the kind “%s”', (kind) => {
    expect(at(kind, 1280).tokens).toBeGreaterThan(2);
    expect(at(kind, 1280).tokens).toBeLessThanOrEqual(18);
  });
});
