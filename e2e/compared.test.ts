import { PNG } from 'pngjs';
import { expect, test } from 'vitest';
import { compared } from './compared.ts';

const picture = (width: number, dark: readonly [x: number, y: number][] = []): Uint8Array => {
  const png = new PNG({ width, height: 8 });
  png.data.fill(255);
  for (const [x, y] of dark) png.data.fill(0, (y * width + x) * 4, (y * width + x) * 4 + 3);
  return PNG.sync.write(png);
};

test('what is otherwise in a picture is told by its share and its place', () => {
  expect(compared(picture(8), picture(8))).toBeNull();
  expect(compared(picture(8), picture(9))).toBe('size');
  expect(compared(picture(8), picture(8, [[2, 3]]))).toEqual({ share: 1 / 64, box: { left: 2, top: 3, right: 3, bottom: 4 } });
});
