import pixelmatch from 'pixelmatch';
import { PNG } from 'pngjs';

/** What is otherwise in a picture: the share of its points, and the box around them, in pixels. */
export interface Changed {
  share: number;
  box: { left: number; top: number; right: number; bottom: number };
}

/** One picture against another of the same view; null where they are alike, `size` where they cannot be laid over each other. */
export function compared(before: Uint8Array, after: Uint8Array): Changed | 'size' | null {
  const [one, other] = [PNG.sync.read(Buffer.from(before)), PNG.sync.read(Buffer.from(after))];
  const { width, height } = one;
  if (width !== other.width || height !== other.height) return 'size';
  const marks = new Uint8Array(width * height * 4);
  const count = pixelmatch(one.data, other.data, marks, width, height, { diffMask: true });
  if (count === 0) return null;
  const box = { left: width, top: height, right: 0, bottom: 0 };
  for (let at = 0; at < width * height; at++) {
    if (marks[at * 4 + 3] === 0) continue;
    const [x, y] = [at % width, Math.floor(at / width)];
    box.left = Math.min(box.left, x);
    box.top = Math.min(box.top, y);
    box.right = Math.max(box.right, x + 1);
    box.bottom = Math.max(box.bottom, y + 1);
  }
  return { share: count / (width * height), box };
}
