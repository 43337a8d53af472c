import type { Range } from '../model/candidate.ts';

/** How far before a frame its wrapper may begin, and how far behind it end. */
const NEAR = 900;
const WRAPPER = /<div\b[^<>]*\bstyle\s*=\s*(["'])([^"'<>]*)\1[^<>]*>\s*$/i;
const PADDING = /padding(?:-top|-bottom)?\s*:\s*(?:0\s+0\s+)?(\d{1,3}(?:\.\d{1,5})?)%/i;

interface Wrapper {
  range: Range;
  ratio: string;
  padding: Range;
  /** Style of a further element around it, which keeps width, edges and space. */
  outer?: string;
}

/**
 * The padding wrapper right around a frame: an element whose padding in per cent, which CSS takes of the
 * width (CSS Box Model 3, section 4), keeps the ratio for a frame that is laid over it.
 */
export function findWrapper(text: string, from: number, to: number): Wrapper | null {
  const before = text.slice(Math.max(0, from - NEAR), from);
  const open = WRAPPER.exec(before);
  const padding = open && PADDING.exec(open[0]);
  if (!padding) return null;
  const percent = Number(padding[1]);
  const close = /^\s*<\/div\s*>/i.exec(text.slice(to, to + NEAR));
  if (percent < 5 || percent > 500 || !close) return null;
  const start = from - before.length + open.index;
  const at = start + padding.index + padding[0].indexOf(padding[1]!);
  const wrapper = { ratio: ratioOf(percent), padding: [at, at + padding[1]!.length] as const };
  const end = to + close[0].length;
  const outer = findOuter(text, start, end);
  return outer ? { ...wrapper, ...outer } : { ...wrapper, range: [start, end] };
}

/** Around the wrapper, one that sets nothing but width, edges and space. */
function findOuter(text: string, from: number, to: number): { range: Range; outer: string } | null {
  const before = text.slice(Math.max(0, from - NEAR), from);
  const open = WRAPPER.exec(before);
  const close = /^\s*<\/div\s*>/i.exec(text.slice(to, to + NEAR));
  if (!open || !close || !OUTER.test(open[2]!)) return null;
  return { range: [from - before.length + open.index, to + close[0].length], outer: open[2]! };
}

const OUTER = /^(?:(?:max-width|width|margin-(?:top|bottom|left|right)|border|border-radius|background):[^;]{1,40}(?:;|$))+$/;

/** `16:9` of 56.25: the simplest whole numbers that come within a tenth of a per cent. */
function ratioOf(percent: number): string {
  for (let height = 1; height <= 16; height++) {
    const width = (height * 100) / percent;
    if (Math.round(width) > 0 && Math.abs(width - Math.round(width)) / width < 0.001) return `${Math.round(width)}:${height}`;
  }
  return `${Math.round(10_000 / percent) / 100}:1`;
}
