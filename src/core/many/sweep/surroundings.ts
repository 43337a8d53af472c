import { wordsOfMarkup } from '../../model/markup/wordsOfMarkup.ts';
import type { Range } from '../../model/place.ts';

/** What stands around the embeds of a text: headings with their places, the title of the page and its language. */
export interface Surroundings {
  title: string;
  language: string;
  /** The heading that an embed at this place stands under, or the title of the page; empty where there is neither. */
  headingAt: (place: number) => string;
}

/** Where a heading may begin, which is sooner seen than whether it is one. */
const BEGIN = /<h[1-6]\b|#{1,6}[ \t]/gi;
/** Headings of HTML, and those of Markdown that begin with a number sign (CommonMark 0.31, section 4.2). */
const MARKED = /<(h[1-6])\b[^<>]{0,2000}>([^]{0,2000}?)<\/\1\s*>/iy;
const PLAIN = /#{1,6}[ \t]+([^\n\r]{1,500})/y;
const STARTS_LINE = /^ {0,3}$|[\n\r\u2028\u2029] {0,3}$/;

/** How far into a text its title and language are looked for. */
const HEAD = 20_000;

/** Reads them from markup, or Markdown; headings only where somebody asks. Linear in the length of the text. */
export function surroundingsOf(text: string): Surroundings {
  const head = text.slice(0, HEAD);
  const title = wordsOfMarkup(/<title\b[^<>]{0,400}>([^<]{0,1000})/i.exec(head)?.[1] ?? '');
  let headings: readonly Heading[] | undefined;
  return {
    title,
    language: /<html\b[^<>]{0,1000}?\blang\s*=\s*["']?([a-z]{2,3}(?:-[a-z\d]{2,8})*)/i.exec(head)?.[1] ?? '',
    headingAt: (place) =>
      (headings ??= headingsOf(text)).findLast(({ end, words }) => end <= place && words !== '')?.words ?? title,
  };
}

interface Heading {
  end: number;
  words: string;
}

function headingsOf(text: string): Heading[] {
  const headings: Heading[] = [];
  BEGIN.lastIndex = 0;
  for (let begin = BEGIN.exec(text); begin; begin = BEGIN.exec(text)) {
    const heading = begin[0].startsWith('<') ? markedAt(text, begin.index) : plainAt(text, begin.index);
    if (!heading) continue;
    headings.push(heading);
    BEGIN.lastIndex = heading.end;
  }
  return headings;
}

function markedAt(text: string, at: number): Heading | null {
  MARKED.lastIndex = at;
  const found = MARKED.exec(text);
  return found && { end: MARKED.lastIndex, words: wordsOfMarkup(found[2]!) };
}

function plainAt(text: string, at: number): Heading | null {
  if (!STARTS_LINE.test(text.slice(Math.max(0, at - 4), at))) return null;
  PLAIN.lastIndex = at;
  const found = PLAIN.exec(text);
  return found && { end: PLAIN.lastIndex, words: found[1]!.replace(/[ \t]+#*[ \t]*$/, '') };
}

/** Brackets of the languages in which templates are written. */
const TEMPLATES = [
  ['{{', '}}'],
  ['{%', '%}'],
  ['<%', '%>'],
  ['<?php', '?>'],
  ['<?=', '?>'],
  ['${', '}'],
] as const;

/** How far back the begin of an expression is looked for. */
const FAR = 4000;

/** Whether an expression of a template stands in this range, or the range in one. */
export function inTemplate(text: string, [from, to]: Range): boolean {
  const inside = text.slice(from, to);
  const before = text.slice(Math.max(0, from - FAR), from);
  return TEMPLATES.some(
    ([open, close]) => inside.includes(open) || (before.includes(open) && before.lastIndexOf(open) > before.lastIndexOf(close)),
  );
}

/** Where embed code stands in the strings of a script, which are never touched. */
export function codeInScripts(text: string): number[] {
  if (!/<script\b/i.test(text)) return [];
  const places: number[] = [];
  const script = /<script\b[^>]*>/gi;
  for (let open = script.exec(text); open; open = script.exec(text)) {
    const from = open.index + open[0].length;
    const end = text.slice(from).search(/<\/script/i);
    const to = end < 0 ? text.length : from + end;
    const found = text.slice(from, to).search(/<(?:iframe|object|embed|video|audio)\b/i);
    if (found >= 0 && !/\btype\s*=\s*["']?application\/ld\+json/i.test(open[0])) places.push(from + found);
    script.lastIndex = Math.max(to, from);
  }
  return places;
}
