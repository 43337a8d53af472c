import fc from 'fast-check';
import { describe, expect, test } from 'vitest';
import { runs } from '../../../laws/world.ts';
import type { Spelling } from './spelling.ts';
import { spell, unspell } from './spellings.ts';

describe('spellings', () => {
  test.each<[Spelling, string | number, string]>([
    [{ form: 'allUnits' }, 72, '0h1m12s'],
    [{ form: 'longClock' }, 72, '00:01:12'],
    [{ form: 'minuteClock' }, 4000, '66:40'],
    [{ form: 'seconds', before: 'npt:', after: '.0' }, 72, 'npt:72.0'],
    [{ form: 'scaled', by: 25 }, 10, '250'],
    [{ form: 'scaled', by: 0.01 }, 47, '0.47'],
    [{ form: 'upperHex' }, '#c0ffee', 'C0FFEE'],
    [{ form: 'hex', before: '0x' }, '#c0ffee', '0xc0ffee'],
    [{ form: 'rgb' }, '#010203', 'rgb(1,2,3)'],
    [{ form: 'rgbNumbers' }, '#010203', '1,2,3'],
    [{ form: 'colourName' }, '#ff0000', 'red'],
    [{ form: 'underscored' }, 'en-GB', 'en_GB'],
    [{ form: 'upperCase' }, 'de', 'DE'],
    [{ form: 'list', separator: '|', words: { people: 'who' } }, 'topics,people', 'topics|who'],
  ])('%j writes %s as %s, and reads it back', (spelling, value, text) => {
    expect(spell(spelling, value)).toBe(text);
    expect(unspell(spelling, text)).toBe(value);
  });

  test('of several words the first is written, and all are read', () => {
    const spelling: Spelling = { form: 'words', words: { on: ['1', 'true'], off: '0' } };
    expect([spell(spelling, 'on'), unspell(spelling, 'true'), unspell(spelling, 'yes')]).toEqual(['1', 'on', undefined]);
  });

  test.each<[Spelling, string]>([
    [{ form: 'colourName' }, 'no colour'],
    [{ form: 'rgb' }, 'rgb(1,2,256)'],
    [{ form: 'scaled', by: 25 }, 'soon'],
    [{ form: 'seconds', before: 't' }, '72'],
    [{ form: 'minuteClock' }, '1:99'],
  ])('%j does not read %s', (spelling, text) => expect(unspell(spelling, text)).toBeUndefined());

  test('a colour without a name has none', () => expect(spell({ form: 'colourName' }, '#123457')).toBeUndefined());

  test('every whole second is read back from every way of writing times', () => {
    const form = fc.constantFrom('seconds', 'milliseconds', 'units', 'allUnits', 'clock', 'longClock', 'minuteClock', 'iso8601');
    fc.assert(
      fc.property(form, fc.nat({ max: 35_999 }), (one, seconds) => {
        expect(unspell({ form: one }, spell({ form: one }, seconds)!)).toBe(seconds);
      }),
      runs(400),
    );
  });
});
