import { Tokenizer } from 'htmlparser2';
import type { PlacedAttribute, Range } from '../candidate.ts';

/** A start tag, as it stands in the text. */
export interface Tag {
  name: string;
  from: number;
  to: number;
  attributes: PlacedAttribute[];
  unclosed?: boolean;
}

/** Elements that are looked for. */
export interface Wanted {
  names: ReadonlySet<string>;
  /** From some text on, tags that need not be taken apart to see where they end, and none of which is wanted. */
  others: RegExp;
}

/**
 * Elements whose content the tokeniser takes for text (HTML, section 13.2.5.1 and what leads there), and all those for browsers
 * that lack something: one too many is taken apart for nothing, and that is all.
 */
const RAW = 'iframe|plaintext|script|style|textarea|title|xmp|no[a-z]+';
const IS_RAW = new RegExp(`^(?:${RAW})$`);

/** These elements, and by what tags that are none of them are gone past. */
export function wantedTags(...names: readonly string[]): Wanted {
  const space = '[ \\t\\n\\f\\r]';
  const value = `(?:"[^"<>]*"|'[^'<>]*'|[^ \\t\\n\\f\\r"'=<>\`]+)`;
  const attributes = `(?:${space}+[a-z][a-z0-9:_-]*(?:=${value})?)*${space}*`;
  const start = `(?!(?:${[RAW, ...names].join('|')})[ \\t\\n\\f\\r/>])`;
  return {
    names: new Set(names),
    others: new RegExp(`(?:[^<]*<(?:/|${start})[a-z][a-z0-9]*${attributes}/?>){1,${AT_ONCE}}`, 'iy'),
  };
}

/** Tags that one expression goes past; more would cost memory, fewer calls. */
const AT_ONCE = 64;

/** The first place from `at` on that has to be taken apart; the end of the text where there is none. */
function beyondOthers(text: string, at: number, { others }: Wanted): number {
  let from = at;
  for (others.lastIndex = from; others.test(text);) from = others.lastIndex;
  const next = text.indexOf('<', from);
  return next < 0 ? text.length : next;
}

/** The start tags of the wanted elements (null for all, with every attribute). */
export function findTags(text: string, wanted: Wanted | null): Tag[] {
  const tags: Tag[] = [];
  if (!wanted) takeApart(text, 0, null, tags);
  else
    for (let at = beyondOthers(text, 0, wanted); at < text.length; at = beyondOthers(text, at, wanted))
      at = takeApart(text, at, wanted, tags);
  return tags;
}

const ignore = (): void => undefined;

/** Takes a text apart from a place that stands in no tag, up to the next text where only some tags are wanted; gives the place. */
function takeApart(whole: string, begin: number, wanted: Wanted | null, tags: Tag[]): number {
  const text = begin === 0 ? whole : whole.slice(begin);
  const most = wanted ? MOST_ATTRIBUTES : Infinity;
  /** Where the tokeniser stopped. */
  let stop = text.length;
  /** Whether what follows is the content of an element that takes its tags for text. */
  let raw = false;
  let tagName = '';
  let names = new Set<string>();
  let tag = null as Tag | null;
  let name = '';
  let value: string | null = null;
  let nameFrom = 0;
  let nameEnd = 0;
  /** Where the value begins that has not ended yet. */
  let open = -1;

  const close = (end: number): void => {
    if (!tag) return;
    tag.to = end + 1;
    tags.push(begin === 0 ? tag : movedTag(tag, begin));
    tag = null;
  };
  const enter = (end: number): void => {
    close(end);
    raw = IS_RAW.test(tagName);
  };
  const append = (piece: string): void => {
    value = (value ?? '') + piece;
  };
  const tokenizer = new Tokenizer(
    { decodeEntities: true },
    {
      onopentagname(from, to) {
        tag = null;
        tagName = to - from > LONGEST_NAME ? '' : text.slice(from, to).toLowerCase();
        if (wanted && !wanted.names.has(tagName)) return;
        tag = { name: tagName, from: from - 1, to, attributes: [] };
        names = new Set();
      },
      onattribname(from, to) {
        if (tag) name = text.slice(from, to).toLowerCase();
        value = null;
        nameFrom = from;
        nameEnd = to;
        open = -1;
      },
      onattribdata(from, to) {
        if (!tag) return;
        if (open < 0) open = from;
        append(text.slice(from, to));
      },
      onattribentity(codepoint) {
        if (tag) append(String.fromCodePoint(codepoint));
      },
      onattribend(quote, end) {
        if (!tag) return;
        open = -1;
        const range: Range | null = value === null ? null : valueRange(text, nameEnd, end, Number(quote) > UNQUOTED);
        // HTML, 13.2.5.33: of two attributes with one name, the first holds.
        if (tag.attributes.length < most && !names.has(name)) {
          names.add(name);
          tag.attributes.push({
            name,
            value: value ?? (Number(quote) > 0 ? '' : null),
            whole: [nameFrom, range ? end : nameEnd],
            range,
          });
        }
      },
      onopentagend: enter,
      onselfclosingtag: enter,
      ontext(_from, to) {
        if (!wanted || raw) return;
        stop = to;
        tokenizer.pause();
      },
      ontextentity: ignore,
      onclosetag() {
        raw = false;
      },
      oncomment: ignore,
      oncdata: ignore,
      ondeclaration: ignore,
      onprocessinginstruction: ignore,
      onend: ignore,
    },
  );
  tokenizer.write(text);
  tokenizer.end();
  if (tag) {
    tag.unclosed = true;
    if (open >= 0) tag.attributes.push(cutOff(text, name, nameFrom, open));
    close(text.length - 1);
  }
  return begin + stop;
}

/** A tag that stands further on by so many signs. */
export function movedTag({ from, to, attributes, ...tag }: Tag, by: number): Tag {
  const move = ([a, b]: Range): Range => [a + by, b + by];
  const moved = attributes.map((a) => ({ ...a, whole: move(a.whole), range: a.range && move(a.range) }));
  return { ...tag, from: from + by, to: to + by, attributes: moved };
}

/** The last attribute of a text that ends before its closing quote: up to the first thing that no address holds. */
function cutOff(text: string, name: string, nameFrom: number, from: number): PlacedAttribute {
  const value = /^[^\s<>"'`]*/.exec(text.slice(from, from + 4000))![0];
  const to = from + value.length;
  return { name, value, whole: [nameFrom, to], range: [from, to] };
}

/** Where the value of an attribute stands, between its quotes, with whatever entities are in it. */
function valueRange(text: string, nameEnd: number, end: number, quoted: boolean): Range {
  let from = text.indexOf('=', nameEnd) + 1;
  while (/\s/.test(text.charAt(from))) from++;
  return quoted ? [from + 1, end - 1] : [from, end];
}

/** The tokeniser's word for a value without quotes; quoted ones end one later, after the quote. */
const UNQUOTED = 1;
/** Names of elements are shorter; so are those of a host’s own. */
const LONGEST_NAME = 200;
/** More than any code in earnest has; keeps the search for doubles short. */
const MOST_ATTRIBUTES = 200;
