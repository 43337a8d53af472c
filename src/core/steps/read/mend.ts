import { decodeHTML } from 'entities';
import type { Repair } from '../../model/candidate.ts';

/** A text put right so that it can be read as markup, with the way back to the places in the text that was brought in. */
export interface Mended {
  text: string;
  /** The same before values in braces became quoted ones; places are the same in both. */
  braced: string;
  repairs: readonly Repair[];
  /** Where a place of the mended text stands in the one that was brought in. */
  origin: (place: number) => number;
}

/** A page in earnest: what stands in its scripts, and runs in it, is its own affair, and only its embeds are looked at. */
export const PAGE = /<(?:!doctype|html|head)\b/i;

const same = (place: number): number => place;

/** A text under repair, with the way back. */
type Draft = Pick<Mended, 'text' | 'origin'>;

/**
 * What word processors, messages and programs do to code. What changes the length of the text comes first, and remembers
 * where everything stood; all else keeps the length, so that places stay what they are. Every pattern is linear: none can
 * run over another's beginning.
 */
export function mend(text: string): Mended {
  let draft: Draft = { text, origin: same };
  const repairs: Repair[] = [];
  const wide = BEYOND_ASCII.test(text);
  for (const { repair, beyondAscii, applies, apply } of UNWRAPPERS)
    for (let layers = 0; layers < MOST_LAYERS && (wide || !beyondAscii) && applies(draft.text); layers++) {
      draft = apply(draft);
      if (!repairs.includes(repair)) repairs.push(repair);
    }
  let mended = draft.text;
  // Entities and escapes may have stood for others.
  const wider = wide || (mended !== text && BEYOND_ASCII.test(mended));
  for (const { repair, beyondAscii, applies, apply } of MENDERS)
    if ((wider || !beyondAscii) && applies(mended)) {
      mended = apply(mended);
      if (!repairs.some(({ code }) => code === repair.code)) repairs.push(repair);
    }
  return { text: mended, braced: draft.text, repairs, origin: draft.origin };
}

/** As a class of what is meant, and not of what is not: looked for in half the time. */
const BEYOND_ASCII = /[\u0080-\uffff]/;

/** Codes are wrapped into strings of programs, and into text, a few times over at most. */
const MOST_LAYERS = 4;

/** What every rule says of itself. */
interface Rule {
  repair: Repair;
  /** It looks for signs beyond ASCII, and need not look where there are none. */
  beyondAscii?: true;
}

interface Unwrapper extends Rule {
  applies: (text: string) => boolean;
  apply: (draft: Draft) => Draft;
}

const EMBED = /<(?:iframe|object|embed|video|audio|script)\b/i;

/** The first attribute of an element, in quotes and without a backslash: this is no string of a program. */
const WRITTEN_PLAINLY = /<(?:iframe|object|embed|video|audio|script|a|img|div|p)\s+[a-z-]+=(?:"[^"\\]*"|'[^'\\]*')/i;

const UNWRAPPERS: readonly Unwrapper[] = [
  {
    repair: { code: 'invisible', was: '\\u200b', now: '' },
    beyondAscii: true,
    applies: (text) => INVISIBLE.test(text) && visible(text) !== text,
    apply: (draft) => replaced(draft, RUN, visibleRun),
  },
  {
    // JSON (RFC 8259, section 7), PHP and scripts: `\"`, `\/`, `\u003c`.
    repair: { code: 'escapedString', was: '\\"', now: '"' },
    applies: (text) =>
      text.includes('\\') &&
      !PAGE.test(text) &&
      !WRITTEN_PLAINLY.test(text) &&
      /<[a-z][\w-]*\s+(?:[a-z-]+(?:=[^\s"'\\<>]+)?\s+){0,5}[a-z-]+=\\+["']|:(?:\\+\/){2}|\\u003c|\\x3c/i.test(text),
    apply: (draft) => replaced(draft, /\\(?:u[\da-f]{4}|x[\da-f]{2}|[^])/gi, unslashed),
  },
  {
    // HTML knows no frame that closes itself: what follows would be its content (HTML, section 13.1.2.1).
    repair: { code: 'jsx', was: '={…}', now: '="…"' },
    applies: (text) => SELF_CLOSED.test(text) && isJsx(text),
    apply: (draft) => replaced(draft, new RegExp(SELF_CLOSED, 'gi'), (tag) => `${tag.slice(0, -2)}></iframe>`),
  },
  {
    repair: { code: 'joinedStrings', was: '"…" + "…"', now: '"……"' },
    applies: (text) => !PAGE.test(text) && /(?:^|[=(,:\s])(["'`])\s{0,40}</.test(text) && JOINT.test(text),
    apply: (draft) => replaced(draft, new RegExp(JOINT, 'g'), () => ''),
  },
  {
    repair: { code: 'escapedCode', was: '&lt;', now: '<' },
    // What is found soonest in a page with embeds comes first.
    applies: (text) => (/<[a-z/!]/i.test(text) ? !EMBED.test(text) && ESCAPED_EMBED.test(text) : true) && ESCAPED.test(text),
    apply: (draft) => {
      const layers = Math.min(1 + (ESCAPED.exec(draft.text)![1]!.match(/;/g)?.length ?? 0), MOST_LAYERS);
      return replaced(draft, /&(?:(?:amp|#0*38|#x0*26);)*(?:#\d{1,7}|#x[\da-f]{1,6}|[a-z][\da-z]{1,30});/gi, (entity) =>
        decoded(entity, layers),
      );
    },
  },
];

/** A `<` as an entity, escaped as often as it is. */
const ESCAPED = /&((?:(?:amp|#0*38|#x0*26);)*)(?:lt|#0*60|#x0*3c);/i;
const ESCAPED_EMBED =
  /&(?:(?:amp|#0*38|#x0*26);)*(?:lt|#0*60|#x0*3c);(?:iframe|object|embed|video|audio)\b[^<>]{0,400}?\b(?:src|data)\s?=[^<>]{0,40}?\/\//i;
/** Strings of a program, one behind the other. */
const JOINT = /(?<!=)(["'`])\s{0,40}[+.]\s{0,40}\1/;

/** What shows nothing (Unicode, Default_Ignorable_Code_Point), but for the joiners that some scripts are written with. */
const INVISIBLE = /[\u00ad\u200b\u200e\u200f\u202a-\u202e\u2060-\u2064\u2066-\u206f\ufeff]/;
const INVISIBLES = new RegExp(INVISIBLE, 'g');
const RUN = /[^\t\n\f\r <>"'\u00a0]+/g;
/** In what is an address; in all other words they may be wanted. */
function visibleRun(run: string): string {
  if (!INVISIBLE.test(run)) return run;
  const plain = run.replace(INVISIBLES, '');
  return /\/\/|^[\w.-]+\.[a-z]{2,24}\//i.test(plain) ? plain : run;
}
const visible = (text: string): string => text.replace(RUN, visibleRun);

function unslashed(escape: string): string {
  const sign = escape.charAt(1);
  if (/^\\[ux]/i.test(escape) && escape.length > 2) return String.fromCharCode(parseInt(escape.slice(2), 16));
  return /[nrt]/.test(sign) ? ' ' : sign;
}

function decoded(entity: string, layers: number): string {
  let text = entity;
  for (let i = 0; i < layers && text.includes('&'); i++) text = decodeHTML(text);
  return text === '\u00a0' ? ' ' : text;
}

interface Mender extends Rule {
  applies: (text: string) => boolean;
  apply: (text: string) => string;
}

/** Looked for one by one, which is quicker by far than any pattern on a large page without them. */
const CURLY = [...'“”„‟″«»‘’‚'];

/** A curly quote where a value begins, up to the next quote of any kind; values in straight quotes are text, whatever they hold. */
const CURLY_VALUE = /=(\s?)"[^"]*"|=(\s?)'[^']*'|=(\s?)[“”„‟″«»‘’‚‛]([^“”„‟″«»‘’‚‛"'<>]*)[“”„‟″«»‘’‚‛"']/g;
/** An address that begins with a straight quote and ends with a curly one. */
const CURLY_END = /\b(src|href|data)=(\s?)(["'])((?:https?:)?\/\/[^\s"'<>“”‘’]*)[”“’‘″](?=[\s>])/gi;

const ODD_SPACE = /[\u00a0\u1680\u2000-\u200a\u2028\u2029\u202f\u205f\u3000]/;
const IN_TAG = /"[^"]*"|'[^']*'|[\u00a0\u1680\u2000-\u200a\u2028\u2029\u202f\u205f\u3000]/g;

/** Between the attributes of a tag, spaces of a word processor are spaces; within quotes they are text. */
const spacedOut = (text: string): string =>
  text.replace(QUOTED_TAG, (tag) =>
    ODD_SPACE.test(tag) ? tag.replace(IN_TAG, (part) => (part.length === 1 ? ' ' : part)) : tag,
  );

const straightened = (text: string): string =>
  text.replace(CURLY_END, '$1=$2$3$4$3').replace(CURLY_VALUE, (part, ...found: (string | undefined)[]) => {
    const [, , gap, value] = found;
    return gap === undefined ? part : `=${gap}"${value}"`;
  });

const MENDERS: readonly Mender[] = [
  {
    // A CDATA section of a feed or an export is markup for whoever reads it.
    repair: { code: 'escapedCode', was: '<![CDATA[', now: '' },
    applies: (text) => text.includes('<![CDATA['),
    apply: (text) => text.replaceAll('<![CDATA[', '         ').replaceAll(']]>', '   '),
  },
  {
    repair: { code: 'spacesBetween', was: '\\u00a0', now: ' ' },
    beyondAscii: true,
    applies: (text) => ODD_SPACE.test(text) && spacedOut(text) !== text,
    apply: spacedOut,
  },
  {
    repair: { code: 'curlyQuotes', was: '“…”', now: '"…"' },
    beyondAscii: true,
    applies: (text) => CURLY.some((quote) => text.includes(quote)) && straightened(text) !== text,
    apply: straightened,
  },
  {
    repair: { code: 'quoteDoubled', was: '""…""', now: '"…"' },
    applies: (text) => text.includes('=""') && /=""[^\s">]/.test(text),
    apply: (text) => text.replace(/=""(?=[^\s">])/g, '= "').replace(/(?<![=\s])""(?=[\s/>])/g, '" '),
  },
  {
    repair: { code: 'jsx', was: '={…}', now: '="…"' },
    applies: isJsx,
    apply: (text) => text.replace(JSX_TAG, (tag) => tag.replace(JSX_PARTS, jsxPart)),
  },
];

/** A tag as far as its values are quoted, whatever stands in them. */
const QUOTED_TAG = /<[a-z](?:[^"'<>{}]|"[^"]*"|'[^']*')*/gi;
const QUOTED = /"[^"]*"|'[^']*'/g;
const JSX_TAG = /<[a-z](?:[^"'<>{}]|"[^"]*"|'[^']*'|\{\{[^{}]*\}\}|\{[^{}]*\})*/gi;
const SELF_CLOSED = /<iframe\b(?:[^"'<>{}]|"[^"]*"|'[^']*'|\{\{[^{}]*\}\}|\{[^{}]*\})*\/>/i;
const JSX_PARTS = /"[^"]*"|'[^']*'|=\{\{([^{}]*)\}\}|=\{([^{}]*)\}|\sclassName=/g;

/** Whether an attribute has a value in braces, or the name of a DOM property. */
function isJsx(text: string): boolean {
  // A brace is far rarer in pages than what stands before it.
  if (!(text.includes('{') && text.includes('={')) && !text.includes(' className=')) return false;
  for (const { 0: tag, index } of text.matchAll(QUOTED_TAG))
    if ((tag.endsWith('=') && text[index + tag.length] === '{') || tag.replace(QUOTED, '').includes(' className=')) return true;
  return false;
}

/** `={{ width: '100%' }}`, `={"text"}` and `={400}` as attribute values of the same length; quoted values as they are. */
function jsxPart(part: string, style: string | undefined, value: string | undefined): string {
  if (part.endsWith('className=')) return part.replace('className', 'class    ');
  if (style !== undefined) return `= "${style.replace(/["'`]/g, ' ').replaceAll(',', ';')}" `;
  if (value === undefined) return part;
  const quoted = /^(\s*)(["'`])([\s\S]*)\2(\s*)$/.exec(value);
  if (!quoted) return `="${value.replaceAll('"', ' ')}"`;
  return `= ${quoted[1]}"${quoted[3]!.replaceAll('"', ' ')}"${quoted[4]} `;
}

/** The draft with every match replaced, and the way back from the places of the new text. */
function replaced({ text, origin }: Draft, pattern: RegExp, by: (match: string) => string): Draft {
  /** Ends of what was replaced, in the new text, and how much shorter the text had become there. */
  const cuts: { at: number; shorter: number }[] = [];
  let shorter = 0;
  const mended = text.replace(pattern, (match: string, ...rest: unknown[]) => {
    const index = rest.find((one) => typeof one === 'number') as number;
    const plain = by(match);
    if (plain.length === match.length) return plain;
    shorter += match.length - plain.length;
    cuts.push({ at: index + match.length - shorter, shorter });
    return plain;
  });
  return { text: mended, origin: (place) => origin(place + shorterBefore(cuts, place)) };
}

function shorterBefore(cuts: readonly { at: number; shorter: number }[], place: number): number {
  let [low, high] = [0, cuts.length];
  while (low < high) {
    const middle = (low + high) >> 1;
    if (cuts[middle]!.at <= place) low = middle + 1;
    else high = middle;
  }
  return low === 0 ? 0 : cuts[low - 1]!.shorter;
}
