import { describe, expect, test } from 'vitest';
import { bringIn, keepEmbed } from '../pipeline.ts';
import type { Settings } from '../known/settings/list.ts';
import { book } from '../../laws/world.ts';
import { canKeep } from './keep.ts';
import { replaceParameter } from './replaceParameter.ts';

const FRAME = 'http://frames.lanternreel.localhost:4600/f/k7wq2m9d';
const FILM = 'http://frame.plumbline.localhost:4600/v/4410207';

function kept(text: string, change: Settings): string {
  const { candidate, item } = bringIn(text, book)[0]!;
  return keepEmbed({ text, candidate }, item!, { ...item!.settings, ...change }, { book, site: null, facts: {} }).code.text;
}

describe('settings laid into code as it stands', () => {
  test.each<[string, string, Settings, string]>([
    [
      'a parameter in its place, others behind the last, in the quotes that are there',
      `<IFRAME  src='${FRAME}?zz=1&amp;from=1m30s'\n width=560 data-x></iframe>`,
      { start: 42, mute: 'on' },
      `<IFRAME  src='${FRAME}?zz=1&amp;from=42&amp;hush=1'\n width=560 data-x></iframe>`,
    ],
    [
      'as many parameters as go',
      `<iframe src="${FILM}?play=1&amp;qq"></iframe>`,
      { autoplay: 'off', mute: 'on' },
      `<iframe src="${FILM}?qq&amp;quiet=1"></iframe>`,
    ],
    [
      'ampersands as this text writes them',
      `<iframe src="${FRAME}?a=1&b=2"></iframe>`,
      { mute: 'on' },
      `<iframe src="${FRAME}?a=1&b=2&hush=1"></iframe>`,
    ],
    [
      'a permission along with its setting',
      `<iframe src="${FRAME}" allow="camera"></iframe>`,
      { autoplay: 'on' },
      `<iframe src="${FRAME}?auto=1" allow="camera; autoplay 'src'"></iframe>`,
    ],
    [
      'a declaration of a style, the others as they were',
      `<iframe src="${FRAME}" style="color:red; margin-top: 4px;"></iframe>`,
      { spaceAbove: 8 },
      `<iframe src="${FRAME}" style="color:red; margin-top:8px;"></iframe>`,
    ],
    [
      'a width without quotes',
      `<iframe src="${FRAME}" width=560 height=315></iframe>`,
      { width: 400, widthMode: 'fixed' },
      `<iframe src="${FRAME}" width=400 height=315></iframe>`,
    ],
    [
      'a width that follows the column, in the place of attributes',
      `<iframe src="${FRAME}" width=560 height=315></iframe>`,
      { widthMode: 'fill' },
      `<iframe src="${FRAME}" style="width:100%;height:315px"></iframe>`,
    ],
    [
      'another domain',
      `<iframe src="${FRAME}?from=3"></iframe>`,
      { tracking: 'reduced' },
      `<iframe src="${FRAME.replace('frames.', 'quiet.')}?from=3"></iframe>`,
    ],
    [
      'a title with quotes in it',
      `<iframe src='${FRAME}' title='old'></iframe>`,
      { title: `the mill's "day"` },
      `<iframe src='${FRAME}' title='the mill&#39;s &quot;day&quot;'></iframe>`,
    ],
    [
      'the ratio of a wrapper',
      `<div style="padding:56.25% 0 0 0"><iframe src="${FILM}"></iframe></div>`,
      { ratio: '4:3' },
      `<div style="padding:75% 0 0 0"><iframe src="${FILM}"></iframe></div>`,
    ],
    [
      'a width, for which the wrapper has to go',
      `<div style="padding:56.25% 0 0 0"><iframe src="${FILM}" style="position:absolute"></iframe></div>`,
      { width: 400, widthMode: 'atMost' },
      `<iframe src="${FILM}" style="max-width:400px;width:100%;height:auto;aspect-ratio:16/9"></iframe>`,
    ],
    [
      'a fragment',
      `<iframe src="${FILM}?tint=2f6f7e"></iframe>`,
      { start: 12 },
      `<iframe src="${FILM}?tint=2f6f7e#at=12s"></iframe>`,
    ],
    [
      'attributes of a placeholder',
      '<div class="x" data-fold-book="AN1126" data-fold-spread="2"></div><script src="http://gatherfold.localhost:4600/fold.js"></script>',
      { spread: 'single', cues: 'on' },
      '<div class="x" data-fold-book="AN1126" data-fold-spread="1" data-fold-cues="1"></div><script src="http://gatherfold.localhost:4600/fold.js"></script>',
    ],
    [
      'a short code',
      'see [gatherfold book="AN1126"] there',
      { spread: 'single' },
      'see [gatherfold book="AN1126" spread="1"] there',
    ],
    [
      'an element of our own',
      '<video src="https://media.example/x.mp4#t=3" controls loop></video>',
      { start: 10, end: 20, loop: 'off', mute: 'on' },
      '<video src="https://media.example/x.mp4#t=10,20" controls muted></video>',
    ],
  ])('%s', (_, text, change, expected) => {
    expect(kept(text, change)).toBe(expected);
  });

  test('only code that needed no repair is kept', () => {
    const can = (text: string): boolean => canKeep(bringIn(text, book)[0]!.candidate);
    expect(can(`<iframe src="${FRAME}"></iframe>`)).toBe(true);
    for (const text of [
      FRAME,
      `<iframe src=“${FRAME}”></iframe>`,
      `&lt;iframe src="${FRAME}"&gt;&lt;/iframe&gt;`,
      `<iframe src={"${FRAME}"} />`,
    ])
      expect(can(text), text).toBe(false);
  });
});

test('a parameter of an unknown host takes another value, and nothing else changes', () => {
  const text = '<iframe src="https://media.example/a?skin=blue&amp;x=%20y&amp;x=z"></iframe>';
  const { candidate, item } = bringIn(text, book)[0]!;
  const set = (i: number, value: string): string => replaceParameter(text, candidate.addressRange!, item!.unknown[i]!, value);
  expect(set(0, 'a b')).toBe(text.replace('skin=blue', 'skin=a%20b'));
  expect(set(1, "it's")).toBe(text.replace('x=%20y', 'x=it%27s'));
});
