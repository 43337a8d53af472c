import type { Change } from './found.ts';
import fc from 'fast-check';
import { describe, expect, test } from 'vitest';
import { runs } from '../../../laws/world.ts';
import { writeChanges, sweepBytes } from './bytes.ts';
import { decodeFile, survives } from './encoding.ts';
import { book } from '../../../laws/world.ts';
import { NO_RULES } from './rules.ts';

const ascii = (text: string): Uint8Array => new TextEncoder().encode(text);

describe('files as text, and back', () => {
  test.each([
    ['utf-8', ascii('<p>é 水</p>')],
    ['utf-8', Uint8Array.from([0xef, 0xbb, 0xbf, ...ascii('<p>é</p>')])],
    ['windows-1252', Uint8Array.from([...ascii('<meta charset="windows-1252">'), 0xe9, 0x93, 0x80])],
    ['iso-8859-2', Uint8Array.from([...ascii('<?xml version="1.0" encoding="iso-8859-2"?>'), 0xb1, 0xe6])],
    ['windows-1252', Uint8Array.from([...ascii('no word of it '), 0xe9])],
    ['utf-16le', Uint8Array.from([0xff, 0xfe, 0x3c, 0, 0x70, 0, 0x3e, 0, 0x34, 0x6c])],
    ['utf-16be', Uint8Array.from([0xfe, 0xff, 0, 0x3c, 0, 0x70, 0x6c, 0x34])],
  ])('%s comes back to the byte', (encoding, bytes) => {
    const file = decodeFile(bytes);
    expect(file.encoding).toBe(encoding);
    expect(survives(bytes, file)).toBe(true);
  });

  test('bytes of any kind come back, or are said not to', () => {
    fc.assert(
      fc.property(fc.uint8Array({ maxLength: 200 }), (bytes) => {
        const file = decodeFile(bytes);
        const again = file.encode(file.text);
        expect(survives(bytes, file)).toBe(again !== null && Buffer.from(again).equals(Buffer.from(bytes)));
      }),
      runs(500),
    );
  });

  test('what an encoding does not have is not written', () => {
    const { encode } = decodeFile(Uint8Array.from([...ascii('<meta charset="iso-8859-1">'), 0xe9]));
    expect(encode('水')).toBeNull();
  });
});

test('a file that cannot be written back without loss is read, told, and not changed', () => {
  const code = '<h2>水</h2><iframe src="http://frames.lanternreel.localhost:4600/f/k7wq2m9d"></iframe>';
  const settings = { book, site: null, style: undefined, rules: { ...NO_RULES, titles: true } };
  const whole = sweepBytes('a.html', ascii(code), settings)!;
  expect(whole.embeds[0]!.change).not.toBeNull();
  // Its heading is written as an entity, which an attribute in this encoding could only hold as one.
  const bytes = Uint8Array.from([...ascii(`<meta charset="iso-8859-1">${code.replace('水', '&#27700;')}`), 0xe9]);
  const found = sweepBytes('a.html', bytes, settings)!;
  expect(found.embeds[0]!.change).toBeNull();
  expect(found.left.map(({ why }) => why.code)).toEqual(['encoding']);
  expect(sweepBytes('a.webp', bytes, settings)).toBeNull();
});

test('changes of another text are not written', () => {
  const change = { range: [0, 1] as const, before: 'x', after: 'y', ends: [], stays: [], loads: true };
  expect(writeChanges('a.html', ascii('abc'), [change])).toBeNull();
  expect(writeChanges('a.html', ascii('xbc'), [change])?.bytes).toEqual(ascii('ybc'));
});

test('a patch is left out where its lines would have other bytes in the file than in the patch', () => {
  const changeAt = (text: string): Change => {
    const from = text.indexOf('x');
    return { range: [from, from + 1], before: 'x', after: 'y', ends: [], stays: [], loads: true };
  };
  const western = Uint8Array.from([...'caf\u00e9 x'].map((sign) => sign.charCodeAt(0)));
  const written = writeChanges('a.html', western, [changeAt('café x')]);
  expect(written?.bytes.at(-1)).toBe('y'.charCodeAt(0));
  expect(written?.patch).toBeNull();
  expect(writeChanges('a.html', ascii('caf x'), [changeAt('caf x')])?.patch).toContain('+caf y');
});
