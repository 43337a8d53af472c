import fc from 'fast-check';
import { expect, test } from 'vitest';
import { cropTo, keptSize } from './crop.ts';
import { ratioOf } from './values.ts';

const side = fc.integer({ min: 40, max: 6000 });
const size = fc.record({ width: side, height: side });
const share = fc.double({ min: 0, max: 1, noNaN: true });
const focus = fc.record({ x: share, y: share });
const ratio = fc.constantFrom('16:9', '4:3', '1:1', '9:16', '2.35:1');

test('a crop lies within the picture, has the ratio, and is as large as can be', () => {
  fc.assert(
    fc.property(size, ratio, focus, (picture, shape, at) => {
      const { left, top, width, height } = cropTo(picture, shape, at);
      expect([left >= 0, top >= 0, left + width <= picture.width, top + height <= picture.height]).not.toContain(false);
      expect(width === picture.width || height === picture.height).toBe(true);
      const [exact, slack] = [ratioOf(shape), 1 / Math.min(width, height)];
      expect(Math.abs(width / height / exact - 1)).toBeLessThanOrEqual(slack);
    }),
  );
});

test('the focus is in the middle unless an edge is near', () => {
  expect(cropTo({ width: 1600, height: 900 }, '1:1', { x: 0.5, y: 0.5 })).toEqual({ left: 350, top: 0, width: 900, height: 900 });
  expect(cropTo({ width: 1600, height: 900 }, '1:1', { x: 1, y: 0 })).toEqual({ left: 700, top: 0, width: 900, height: 900 });
  expect(cropTo({ width: 900, height: 1600 }, '9:16', { x: 0, y: 1 })).toEqual({ left: 0, top: 0, width: 900, height: 1600 });
});

test('what is kept is never larger than the crop', () => {
  expect(keptSize({ width: 4000, height: 2250 }, 720, 2)).toEqual({ width: 1440, height: 810 });
  expect(keptSize({ width: 500, height: 500 }, 720, 2)).toEqual({ width: 500, height: 500 });
});
