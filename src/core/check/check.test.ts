import { readdirSync } from 'node:fs';
import { join } from 'node:path';
import { describe, expect, test } from 'vitest';
import { sayFinding, sayRemedy } from '../../messages/en.ts';
import type { Facts } from '../model/item.ts';
import { bringIn, makeEmbed } from '../pipeline.ts';
import { SETTINGS, type Settings } from '../settings/list.ts';
import { book, sites } from '../tests/world.ts';
import { FORMS } from '../write/forms/list.ts';
import { withoutParameter } from './withoutParameter.ts';
import { CHECKS } from './checks/list.ts';

const VIDEO = 'http://lanternreel.localhost:4600/see/k7wq2m9d';
const SOUND = 'http://murmurfold.localhost:4600/quillmarsh-mill/the-mill-at-night';
const TITLED = { title: 'T' };
const site = sites[0]!;

function findings(link: string, settings: Settings, facts: Facts = {}, form: 'responsive' | 'fixed' | 'link' = 'responsive') {
  const { item } = bringIn(link, book)[0]!;
  return makeEmbed(item!, { ...item!.settings, ...settings }, { book, site, form, facts }).findings;
}

describe('each check finds its trouble, and its remedy ends it', () => {
  test.each([
    ['titleMissing', VIDEO, {}, 'Use “Sluice”'],
    ['autoplayUnmuted', VIDEO, { ...TITLED, autoplay: 'on' }, 'Start muted'],
    ['autoplayAudio', SOUND, { ...TITLED, autoplay: 'on' }, 'Wait for the visitor'],
    ['tooWide', VIDEO, { ...TITLED, width: 900, widthMode: 'fixed' }, 'Make it 720 px'],
    ['insecureFrame', 'http://media.example/a', TITLED, 'Use https'],
    ['ratioDiffers', VIDEO, { ...TITLED, ratio: '4:3' }, 'Use 16:9'],
    ['endBeforeStart', VIDEO, { ...TITLED, start: 9, end: 5 }, 'Swap start and end'],
    ['unknownParameter', `${VIDEO}?glow=1`, TITLED, 'Drop glow'],
  ] as const)('%s', (code, link, settings, remedy) => {
    const [finding, ...others] = findings(link, settings, { title: 'Sluice' });
    expect(others).toEqual([]);
    expect(finding).toMatchObject({ code });
    expect(sayFinding(finding!).length).toBeGreaterThan(20);
    const fix = finding!.remedy!;
    expect(sayRemedy({ ...finding!, remedy: fix })).toBe(remedy);
    if (fix.by === 'settings') {
      const after = Object.fromEntries(Object.entries({ ...settings, ...fix.change }).filter(([, v]) => v !== null));
      expect(findings(link, after, { title: 'Sluice' })).toEqual([]);
    } else {
      const after =
        fix.by === 'text'
          ? link.replace(fix.replace, fix.with)
          : withoutParameter(link, [0, link.length], (fix as { drop: string }).drop);
      expect(findings(after, settings)).toEqual([]);
    }
  });
});

describe('a check keeps quiet', () => {
  test.each([
    ['where all is well', VIDEO, { ...TITLED, autoplay: 'on', mute: 'on', start: 3, end: 9 }],
    ['about http on this machine', VIDEO, TITLED],
    ['about the shape of a recording', SOUND, { ...TITLED, height: 300 }],
    ['about autoplay that is off', SOUND, { ...TITLED, autoplay: 'off' }],
    ['about rounding', VIDEO, { ...TITLED, width: 561, widthMode: 'fixed', height: 315 }],
  ] as const)('%s', (_, link, settings) => expect(findings(link, settings)).toEqual([]));

  test('about the frame where only a link is taken', () =>
    expect(findings(VIDEO, { width: 900, widthMode: 'fixed' }, {}, 'link')).toEqual([]));
});

test('the most serious comes first', () => {
  expect(findings(`${VIDEO}?glow=1`, { autoplay: 'on', ratio: '4:3' }).map((f) => f.severity)).toEqual([
    'error',
    'warning',
    'warning',
    'note',
  ]);
});

describe('one rule, one file, by its name', () => {
  const filesOf = (folder: string): string[] =>
    readdirSync(join(import.meta.dirname, folder))
      .map((file) => file.replace('.ts', ''))
      .filter((name) => name !== 'list')
      .sort();
  test.each([
    ['checks', CHECKS],
    ['../settings', SETTINGS],
    ['../write/forms', FORMS],
  ] as const)('%s', (folder, list) => expect(list.map((rule) => rule.id).sort()).toEqual(filesOf(folder)));
});
