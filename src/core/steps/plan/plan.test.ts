import { describe, expect, test } from 'vitest';
import { bringIn, makeEmbed } from '../../pipeline.ts';
import type { Settings } from '../../known/settings/list.ts';
import { book, sites } from '../../../laws/world.ts';

const VIDEO = 'http://lanternreel.localhost:4600/see/k7wq2m9d';
const IN_RUN = `${VIDEO}?run=r-mill24`;
const RUN = 'http://lanternreel.localhost:4600/run/r-mill24';
const SOUND = 'http://murmurfold.localhost:4600/quillmarsh-mill/the-mill-at-night';
const PAGES = 'http://foliobarn.localhost:4600/d/vst-4m2k9q/released';

function make(link: string, settings: Settings) {
  const { item } = bringIn(link, book)[0]!;
  return makeEmbed(item!, { ...item!.settings, ...settings }, { book, site: sites[0]!, form: 'responsive', facts: {} });
}

describe('every state occurs', () => {
  test.each([
    ['sent', VIDEO, { start: 42 }, ['from=42']],
    ['sent', VIDEO, { loop: 'on' }, ['again=1', 'run=k7wq2m9d']],
    ['sent', RUN, { loop: 'on' }, ['again=1']],
    ['sent', VIDEO, { tracking: 'reduced' }, ['domain=reduced']],
    ['sent', VIDEO, { controls: 'on' }, []],
    ['sent', SOUND, { accent: '#2f6f7e' }, ['tint=#2f6f7e']],
    ['sent', PAGES, { page: 5 }, ['leaf=5']],
    ['done here', VIDEO, { align: 'centre' }, []],
    ['in part', VIDEO, { related: 'none' }, ['after=own']],
    ['in part', IN_RUN, { loop: 'on' }, ['again=1']],
    ['in part', SOUND, { autoplay: 'on' }, ['auto=true']],
    ['not offered', VIDEO, { accent: '#2f6f7e' }, []],
    ['not offered', VIDEO, { showTitle: 'off' }, []],
    ['not offered', 'https://media.example/a', { autoplay: 'on' }, []],
    ['not applicable', RUN, { start: 3 }, []],
    ['not applicable', PAGES, { mute: 'on' }, []],
    ['conflict', VIDEO, { autoplay: 'on' }, ['auto=1']],
    ['conflict', VIDEO, { end: 5, start: 9 }, ['until=5']],
    ['conflict', VIDEO, { width: 300, widthMode: 'fill' }, []],
    ['conflict', VIDEO, { height: 300, ratio: '4:3' }, []],
  ] as const)('%s: %s %j', (state, link, settings, sent) => {
    const entry = make(link, settings).plan.entries.find((e) => e.setting === Object.keys(settings)[0])!;
    expect([entry.state, entry.sent.map((s) => `${s.name}=${s.value}`)]).toEqual([state, sent]);
    if (state === 'conflict') expect(entry.fix).toBeDefined();
  });

  test('a fix ends its conflict', () => {
    for (const settings of [
      { autoplay: 'on' },
      { start: 9, end: 5 },
      { start: 5, end: 5 },
      { width: 300, widthMode: 'fill' },
      { height: 300, ratio: '4:3' },
    ] as Settings[]) {
      const { plan } = make(VIDEO, settings);
      const { fix } = plan.entries.find((e) => e.state === 'conflict')!;
      const fixed = Object.fromEntries(Object.entries({ ...settings, ...fix }).filter(([, v]) => v !== null));
      expect(make(VIDEO, fixed).plan.entries.some((e) => e.state === 'conflict')).toBe(false);
    }
  });
});

describe('the code', () => {
  const code = (link: string, settings: Settings): string => make(link, settings).code.text;

  test('carries what was asked for, and nothing else', () => {
    expect(code(VIDEO, { start: 42, mute: 'on', autoplay: 'on', related: 'same', title: 'Sluice' })).toBe(
      '<iframe src="http://frames.lanternreel.localhost:4600/f/k7wq2m9d?auto=1&amp;hush=1&amp;from=42&amp;after=own" title="Sluice" ' +
        'style="display:block;border:0;width:100%;aspect-ratio:16/9;height:auto" allow="autoplay; fullscreen" allowfullscreen></iframe>',
    );
  });

  test('of the reduced-tracking domain', () =>
    expect(code(VIDEO, { tracking: 'reduced' })).toContain('src="http://quiet.lanternreel.localhost:4600/f/k7wq2m9d"'));

  test('of a recording is as high as its player', () => {
    expect(code(SOUND, {})).toContain('height:420px');
    expect(code(SOUND, { density: 'slim' })).toContain('height:150px');
  });

  test('of an upright clip is upright, and at most as wide as its card says', () => {
    expect(code('http://lanternreel.localhost:4600/upright/u4wheel0', {})).toContain(
      'width:100%;max-width:320px;aspect-ratio:9/16',
    );
  });

  test('the map names the origin of each range', () => {
    const { code: made } = make(VIDEO, { start: 42, title: 'A "quoted" title', spaceAbove: 8 });
    const ranges = Object.fromEntries(made.map.map(({ origin, range }) => [origin, made.text.slice(...range)]));
    expect(ranges).toMatchObject({ start: 'from=42', title: 'title="A &quot;quoted&quot; title"', spaceAbove: 'margin-top:8px' });
  });

  test('link alone carries what a share link can', () => {
    const { item } = bringIn(VIDEO, book)[0]!;
    expect(makeEmbed(item!, { start: 75, mute: 'on' }, { book, site: null, form: 'link', facts: {} }).code.text).toBe(
      `${VIDEO}?at=1m15s`,
    );
  });
});
