import fc from 'fast-check';
import { describe, expect, test } from 'vitest';
import { plainName } from '../many/kit/codeFile.ts';
import { withoutAccents, wordsIn } from './words.ts';

test.each([
  ['L’écluse à marée haute (2)', ['lecluse', 'a', 'maree', 'haute', '2']],
  ['Ebb—flood/slack', ['ebb', 'flood', 'slack']],
  ['Прилив и отлив', ['прилив', 'и', 'отлив']],
  [' … ', []],
])('the words of %j', (text, words) => expect(wordsIn(text)).toEqual(words));

test.each([
  ['L’écluse: à marée haute', 'lecluse-a-maree-haute'],
  ['水車', 'embed'],
  [null, 'embed'],
])('a file for %j', (title, name) => expect(plainName(title)).toBe(name));

describe('whatever the texts', () => {
  test('a name of a file is letters, digits and single hyphens between them', () => {
    fc.assert(
      fc.property(fc.string({ unit: 'grapheme' }), (title) => {
        expect(plainName(title)).toMatch(/^[a-z0-9]+(?:-[a-z0-9]+)*$/);
      }),
    );
  });

  test('accents do not matter, and taking them away twice is as once', () => {
    fc.assert(
      fc.property(fc.string({ unit: 'grapheme' }), (text) => {
        const plain = withoutAccents(text);
        expect(withoutAccents(plain)).toBe(plain);
        expect(withoutAccents(text.normalize('NFD'))).toBe(withoutAccents(text.normalize('NFC')));
      }),
    );
  });
});
