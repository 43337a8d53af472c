import { describe, expect, test } from 'vitest';
import { guess } from '../known/hosts/guess.ts';
import { learn } from './learn.ts';
import { splitExamples } from './split.ts';

describe('what a parameter may do', () => {
  test.each<[string, string, string, string | number]>([
    ['t', '30', 'start', 30],
    ['from', '1m12s', 'start', 72],
    ['begin', '8000', 'start', 8],
    ['auto', '1', 'autoplay', 'on'],
    ['muted', '', 'mute', 'on'],
    ['nocontrols', '1', 'controls', 'off'],
    ['hide_title', 'true', 'showTitle', 'off'],
    ['tint', 'c00', 'accent', '#cc0000'],
    ['cc', 'de', 'captions', 'de'],
    ['vol', '0.5', 'volume', 50],
    ['l', 'true', 'loop', 'on'],
  ])('%s=%s', (name, text, setting, value) => expect(guess(name, text)[0]).toEqual({ setting, value }));

  test('what a kind has no use for stands behind what it has', () => {
    expect(guess('start', '3', 'slideshow')[0]).toEqual({ setting: 'page', value: 3 });
    expect(guess('start', '3', 'video')[0]).toEqual({ setting: 'start', value: 3 });
  });

  test('nothing is guessed of what looks like no value', () => {
    expect(guess('session', '8f3a-99-zz')).toEqual([]);
  });
});

const frame = (path: string): string => `<iframe src="https://play.media.example/${path}"></iframe>`;
const link = 'https://media.example/see/k1a44';

test('what is pasted at once is taken apart in its order: a code behind a link goes with it', () => {
  expect(splitExamples(`${link}\n${frame('k1a44')}\n${frame('k1a44?run=1')}\nhttps://media.example/see/z9b55`)).toEqual([
    { link, code: frame('k1a44') },
    { code: frame('k1a44?run=1') },
    { link: 'https://media.example/see/z9b55' },
  ]);
});

describe('what is asked', () => {
  const asked = (...codes: string[]) => {
    const { questions } = learn([{ link, code: frame('k1a44') }, ...codes.map((code) => ({ code }))], { today: '2026-11-26' });
    const [first] = questions;
    return first?.code === 'whatDoes' ? first.parts.map(({ name, text }) => `${name}=${text}`) : first?.code;
  };
  test.each<[string, string[], string | string[]]>([
    ['a second item, where there is one', [], 'secondItem'],
    ['words joined in the path, each', [frame('k1a44/run,hush')], ['run=', 'hush=']],
    ['names joined in a parameter, each', [frame('k1a44?opts=go;every:4s')], ['go=', 'every=4s']],
    ['what an encoded object holds', [frame('k1a44?cfg=eyJhIjp0cnVlfQ')], ['a=true']],
    ['a value behind the #', [frame('k1a44#1:12')], ['=1:12']],
  ])('%s', (_, codes, parts) => expect(asked(...codes)).toEqual(parts));
});
