import fc from 'fast-check';
import { describe, expect, test } from 'vitest';
import { isoTime, parseTime, showTime, unitTime } from './time.ts';
import { parseColour, parseRatio, parseValue, ratioBetween, ratioOf } from './values.ts';

describe('times', () => {
  test.each([
    ['90', 90],
    ['90s', 90],
    ['1m30s', 90],
    ['1:30', 90],
    ['01:01:30', 3690],
    ['PT1M30S', 90],
    ['t=10,20'.slice(2), 10],
    ['npt:7.5', 7.5],
    ['1h', 3600],
  ])('%s is %d seconds', (text, seconds) => expect(parseTime(text)).toBe(seconds));

  test.each(['', 'soon', '-3', '1:75', 's', 'pt', '1e9', '99999999', '1m30', '9'.repeat(40)])('%j is no time', (text) =>
    expect(parseTime(text)).toBeUndefined(),
  );

  test('every written form reads back', () => {
    fc.assert(
      fc.property(fc.integer({ min: 0, max: 300_000 }), (seconds) => {
        for (const write of [showTime, unitTime, isoTime, String]) expect(parseTime(write(seconds))).toBe(seconds);
      }),
    );
  });
});

test.each([
  ['#ABC', '#aabbcc'],
  ['2f6f7e', '#2f6f7e'],
  ['red', undefined],
])('colour %s', (text, colour) => expect(parseColour(text)).toBe(colour));

test.each([
  ['16/9', '16:9'],
  ['2.35 : 1', '2.35:1'],
  ['1.5', '1.5:1'],
  ['0:9', undefined],
  ['99:1', undefined],
])('ratio %s', (text, ratio) => expect(parseRatio(text)).toBe(ratio));

test('a value that does not fit its type is none', () => {
  expect(parseValue({ type: 'switch' }, 'yes')).toBeUndefined();
  expect(parseValue({ type: 'choice', options: ['any'] }, 'all')).toBeUndefined();
  expect(parseValue({ type: 'length', least: 1, most: 10 }, '11')).toBeUndefined();
  expect(parseValue({ type: 'language' }, '<b>')).toBeUndefined();
  expect(parseValue({ type: 'text', longest: 3 }, 'long')).toBeUndefined();
});

test('the ratio of two lengths is in the smallest numbers, and theirs', () => {
  expect([ratioBetween(1280, 720), ratioBetween(720, 1280), ratioBetween(2000, 10)]).toEqual(['16:9', '9:16', undefined]);
  const length = fc.integer({ min: 100, max: 1000 });
  fc.assert(
    fc.property(length, length, (width, height) => {
      expect(ratioOf(ratioBetween(width, height)!)).toBeCloseTo(width / height);
    }),
  );
});
