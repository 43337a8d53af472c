import type { Range } from '../../model/candidate.ts';

/** How far before a frame its wrapper may begin, and how far behind it end. */
const NEAR = 900;
/** The start tag of an element with a style, with nothing but space and comments behind it. */
const OPENED =
  /<(div|span|p|figure|section)\b[^<>]*\bstyle\s*=\s*(?:"([^"<>]*)"|'([^'<>]*)'|([^\s"'<>=`]+))[^<>]*>(?:\s|<!--(?:(?!-->)[^])*-->)*$/i;
const COMMENT = /<!--(?:(?!-->)[^])*-->/g;

interface Opened {
  tag: string;
  style: string;
  from: number;
  /** Where the style stands. */
  styleFrom: number;
}

/** The element with a style right before a place. */
function openedBefore(text: string, at: number): Opened | null {
  const before = text.slice(Math.max(0, at - NEAR), at);
  // Of several that end here the regular expression finds the first; the innermost begins at the last `<` that is no comment's.
  const bare = before.replace(COMMENT, (comment) => ' '.repeat(comment.length));
  const last = bare.lastIndexOf('<');
  const open = last < 0 ? null : OPENED.exec(bare.slice(last));
  if (!open) return null;
  const style = open[2] ?? open[3] ?? open[4]!;
  const value = open[0].slice(open[0].search(/\bstyle\s*=/i));
  const from = at - before.length + last;
  return {
    tag: open[1]!.toLowerCase(),
    style,
    from,
    styleFrom: from + open[0].length - value.length + /^style\s*=\s*["']?/i.exec(value)![0].length,
  };
}

/** Where the end tag of an element ends that follows a place; undefined where something else follows. */
function closedAfter(text: string, at: number, tag: string): number | undefined {
  const behind = text.slice(at, at + NEAR).replace(COMMENT, (comment) => ' '.repeat(comment.length));
  const close = new RegExp(`^\\s*</${tag}\\s*>`, 'i').exec(behind);
  return close ? at + close[0].length : undefined;
}

interface Wrapper {
  range: Range;
  ratio: string;
  padding: Range;
  /** The frame itself. */
  frame: Range;
  /** Style of a further element around it, which keeps width, edges and space. */
  outer?: string;
}

/**
 * The padding wrapper right around a frame: an element whose padding in per cent, which CSS takes of the
 * width (CSS Box Model 3, section 4), keeps the ratio for a frame that is laid over it.
 */
export function findWrapper(text: string, from: number, to: number): Wrapper | null {
  const open = openedBefore(text, from);
  const padding = open && paddingIn(open.style);
  const end = open && closedAfter(text, to, open.tag);
  if (!open || !padding || end === undefined || end === null) return null;
  const at = open.styleFrom + padding.at;
  const wrapper = { ratio: ratioOf(padding.percent), padding: [at, at + padding.length] as const, frame: [from, to] as const };
  const outer = findOuter(text, open.from, end);
  return outer ? { ...wrapper, ...outer } : { ...wrapper, range: [open.from, end] };
}

/** Padding above or below as a number of per cent, or as a sum that comes to one (CSS Values 4, section 10). */
const PADDING =
  /padding(?:-top|-bottom|-block-start|-block-end)?\s*:\s*(?:0(?:px)?\s+0(?:px)?\s+)?(?:(\d{1,3}(?:\.\d{1,9})?)(?=%)|calc\(([^()]{1,60}|\([^()]{1,40}\)|[^()]{1,30}\([^()]{1,30}\)[^()]{0,30})\))/gi;

function paddingIn(style: string): { at: number; length: number; percent: number } | null {
  for (const found of style.matchAll(PADDING)) {
    const [whole, number, sum] = found;
    const percent = number === undefined ? reckoned(sum!) : Number(number);
    const said = number ?? `calc(${sum})`;
    if (percent !== null && percent >= 5 && percent <= 500)
      return { at: found.index + whole.length - said.length, length: said.length, percent };
  }
  return null;
}

/** `100% * 9 / 16`, `(9 / 16) * 100%`, `56.25%` as per cent; null for any other sum. */
function reckoned(sum: string): number | null {
  const factors = sum
    .replace(/[()]/g, '')
    .split(/([*/])/)
    .map((part) => part.trim());
  if (factors.filter((part) => part.endsWith('%')).length !== 1) return null;
  let value = 1;
  for (let i = 0; i < factors.length; i += 2) {
    const factor = /^(\d{1,5}(?:\.\d{1,9})?)%?$/.exec(factors[i]!);
    if (!factor) return null;
    value = factors[i - 1] === '/' ? value / Number(factor[1]) : value * Number(factor[1]);
  }
  return value;
}

/** Around the wrapper, one that sets nothing but width, edges and space. */
function findOuter(text: string, from: number, to: number): { range: Range; outer: string } | null {
  const open = openedBefore(text, from);
  const end = open && closedAfter(text, to, open.tag);
  if (!open || !end || !OUTER.test(open.style)) return null;
  return { range: [open.from, end], outer: open.style };
}

const OUTER =
  /^(?:\s*(?:max-width|width|margin-(?:top|bottom|left|right)|border|border-radius|background)\s*:[^;]{1,40}(?:;|$))+\s*$/;

/** `16:9` of 56.25: the simplest whole numbers that come within a tenth of a per cent. */
function ratioOf(percent: number): string {
  for (let height = 1; height <= 16; height++) {
    const width = (height * 100) / percent;
    if (Math.round(width) > 0 && Math.abs(width - Math.round(width)) / width < 0.001) return `${Math.round(width)}:${height}`;
  }
  return `${Math.round(10_000 / percent) / 100}:1`;
}
