import { trimmedEnd, type Attribute, type Range } from './place.ts';

/** In which way a part of a code runs, or takes the page away, where it stands in a page. */
export type RunningKind =
  /** An attribute whose value is code, such as `onload`. */
  | 'handler'
  /** A script element. */
  | 'script'
  /** An address that is code, such as `javascript:…`. */
  | 'address'
  /** A page within the code (`srcdoc`) in which something runs. */
  | 'page'
  /** Something that leads the page elsewhere (HTML, section 4.2.5.3). */
  | 'refresh'
  /** A value that a script component reckons out. */
  | 'expression';

/** A part of a code that can run. */
export interface Running {
  kind: RunningKind;
  /** Of the attribute, or of the element. */
  name: string;
  /** The whole attribute, or the whole element. */
  range: Range;
  /** Where a script comes from. */
  address?: string;
}

/** What somebody decided about the code that runs in what was pasted; null until then, and it is left out. */
export type RunningChoice = 'keep' | 'leave' | null;

/** The most parts that are told one by one. */
export const MOST_TOLD = 20;

/** The text without the parts that run, and without the space that led to each attribute. */
export function withoutRunning(text: string, running: readonly Running[]): string {
  let left = '';
  let at = 0;
  for (const { range, kind } of [...running].sort((a, b) => a.range[0] - b.range[0])) {
    if (range[0] < at) continue;
    const whole = kind === 'script' || kind === 'refresh';
    left += text.slice(at, whole ? range[0] : Math.max(at, trimmedEnd(text, range[0])));
    at = range[1];
  }
  return left + text.slice(at);
}

/** Names whose value is code wherever they stand: those of HTML (section 8.1.8), and of the libraries that bind by attribute. */
const HANDLER = /^(?:on[a-z]|@|v-on:|x-on:|on:)/i;
/** Whether an attribute is an event handler with something to run (HTML, section 8.1.8). */
export const isHandler = ({ name, value }: Attribute): boolean => HANDLER.test(name) && value !== null && value.trim() !== '';

/** URL Standard, section 4.4: control characters and spaces do not count in a scheme. */
const bare = (address: string): string => address.replace(/[\u0000-\u0020]+/g, '').toLowerCase();

/** Whether an address runs code, or is a page of its own in which code can run. */
export const runsAsAddress = (address: string): boolean =>
  /^(?:javascript|vbscript|livescript):|^data:(?:text\/html|text\/xml|application\/xhtml|application\/xml|image\/svg|text\/javascript)/.test(
    bare(address.slice(0, 4000)),
  );
