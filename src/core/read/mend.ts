import type { Repair } from '../model/candidate.ts';

/** A text put right so that it can be read as markup, with the way back to the places in the text that was brought in. */
export interface Mended {
  text: string;
  /** The same before values in braces became quoted ones; places are the same in both. */
  braced: string;
  repairs: readonly Repair[];
  /** Where a place of the mended text stands in the one that was brought in. */
  origin: (place: number) => number;
}

const same = (place: number): number => place;

/**
 * What word processors, messages and programs do to code. All but the unescaping keep the length of the
 * text, so that places stay what they are. Every pattern is linear: none can run over another's beginning.
 */
export function mend(text: string): Mended {
  const escaped = !/<[a-z/!]/i.test(text) && /&(?:amp;)?lt;/i.test(text);
  const unescaped = escaped ? unescape(text) : { text, origin: same };
  let mended = unescaped.text;
  const repairs: Repair[] = escaped ? [{ code: 'escapedCode', was: '&lt;', now: '<' }] : [];
  for (const { repair, applies, apply } of MENDERS)
    if (applies(mended)) {
      mended = apply(mended);
      repairs.push(repair);
    }
  return { text: mended, braced: unescaped.text, repairs, origin: unescaped.origin };
}

interface Mender {
  repair: Repair;
  applies: (text: string) => boolean;
  apply: (text: string) => string;
}

/** Looked for one by one, which is quicker by far than any pattern on a large page without them. */
const CURLY = [...'“”„‟″«»‘’‚'];

const MENDERS: readonly Mender[] = [
  {
    repair: { code: 'curlyQuotes', was: '“…”', now: '"…"' },
    // Where straight quotes hold values, curly ones are text within them.
    applies: (text) => CURLY.some((quote) => text.includes(quote)) && /=\s?[“”„‟″«»‘’‚]/.test(text) && !/=\s?["']/.test(text),
    apply: (text) => text.replace(/[“”„‟″«»]/g, '"').replace(/[‘’‚‛]/g, "'"),
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
const JSX_PARTS = /"[^"]*"|'[^']*'|=\{\{([^{}]*)\}\}|=\{([^{}]*)\}|\sclassName=/g;

/** Whether an attribute has a value in braces, or the name of a DOM property. */
function isJsx(text: string): boolean {
  if (!text.includes('={') && !text.includes(' className=')) return false;
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

const ENTITIES: Readonly<Record<string, string>> = { lt: '<', gt: '>', quot: '"', '#34': '"', '#39': "'", apos: "'", nbsp: ' ' };

/** Takes one or two layers of escaping away from code that arrived as text. */
function unescape(text: string): { text: string; origin: Mended['origin'] } {
  /** Ends of the entities: where they stood, and how much shorter the text had become there. */
  const cuts: { at: number; shorter: number }[] = [];
  let shorter = 0;
  const twice = /&amp;(?:lt|quot);/i.test(text);
  const pattern = twice ? /&amp;(lt|gt|quot|#34|#39|apos|nbsp);|&amp;amp;|&amp;/gi : /&(lt|gt|quot|#34|#39|apos|nbsp);/gi;
  const mended = text.replace(pattern, (entity: string, name: string | undefined, index: number) => {
    const plain = name ? ENTITIES[name.toLowerCase()]! : entity.slice(0, -4);
    shorter += entity.length - plain.length;
    cuts.push({ at: index + entity.length - shorter, shorter });
    return plain;
  });
  return { text: mended, origin: (place) => place + shorterBefore(cuts, place) };
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
