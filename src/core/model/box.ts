import type { Box } from './plan.ts';
import { ratioOf } from './values.ts';

/** The height in pixels at the box's full width. */
export function boxHeight({ width, height }: Box): number {
  return height.by === 'number' ? height.pixels : Math.max(1, Math.round(width / ratioOf(height.ratio)));
}
