import { expect, test } from 'vitest';
import { arrowStep } from './useDrag.ts';

test.each([
  ['ArrowRight', false, 1],
  ['ArrowUp', true, 10],
  ['ArrowLeft', true, -10],
  ['ArrowDown', false, -1],
  ['a', false, 0],
])('%s, with shift %s, steps by %d', (key, shiftKey, step) => expect(arrowStep({ key, shiftKey })).toBe(step));
