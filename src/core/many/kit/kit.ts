import { escapeHtml } from '../../model/markup/escape.ts';
import { wordsIn } from '../../model/words.ts';

/** What belongs into a post beside the embed. Dates as `2026-11-23`. */
export interface Kit {
  heading: string;
  description: string;
  /** The last part of the page's address. */
  address: string;
  /** Name of the cover file; empty where there is none. */
  cover: string;
  date: string;
  author: string;
  code: string;
}

/** Words with which an episode is counted; they age badly in an address. */
const COUNTING = new Set(['episode', 'ep', 'part', 'no', 'number', 'vol', 'volume', 'season', 'series', 'nr']);
const LONGEST = 60;

/** An address of words only: `Episode 12: The long ebb (part 2)` becomes `the-long-ebb`. */
export function tidyAddress(title: string): string {
  const words = wordsIn(title);
  const telling = words.filter((word, i) => !/\d/.test(word) && !(COUNTING.has(word) && isCounted(words[i + 1])));
  return shortened(telling).join('-') || 'untitled';
}

const isCounted = (next: string | undefined): boolean =>
  next !== undefined && /^(\d+|[ivx]+|one|two|three|four|five|six)$/.test(next);

/** As many whole words as fit. */
function shortened(words: readonly string[]): string[] {
  const taken: string[] = [];
  let length = 0;
  for (const word of words) {
    length += word.length + 1;
    if (length > LONGEST && taken.length > 0) break;
    taken.push(word);
  }
  return taken;
}

/**
 * What would begin markup or an entity stands behind a backslash (CommonMark 0.31, section 2.4), and so does what would
 * begin a link to anything but the web or a mail; other signs are the writer's.
 */
const escapedForMarkdown = (text: string): string =>
  text.replace(/<(?=[a-z/!?])|&(?=#?\w+;)|\](?=\(|\s*:)/gi, (sign, at: number) =>
    isEscaped(text, at) || (sign === ']' && isHarmless(destinationAfter(text, at))) ? sign : `\\${sign}`,
  );

/** Whether a backslash stands before the sign that is none of a pair itself. */
function isEscaped(text: string, at: number): boolean {
  let before = at;
  while (text.charAt(before - 1) === '\\') before--;
  return (at - before) % 2 === 1;
}

/** Where a link, or the definition of one, leads: what follows `](` or `]:` (CommonMark 0.31, sections 4.7 and 6.3). */
const destinationAfter = (text: string, bracket: number): string =>
  /^\]\s*[(:][\s<\\]*([^\s)>]*)/.exec(text.slice(bracket, bracket + 2000))![1]!.replace(/\\(?=[!-/:-@[-`{-~])/g, '');

/** An address of the web or of a mail, or one without a scheme. */
const isHarmless = (address: string): boolean => /^(?:https?|mailto):/i.test(address) || !/^[^/?#]*:/.test(address);

/** Markdown with YAML front matter; a JSON string is a YAML string too (YAML 1.2, section 1.3). */
export function kitAsMarkdown({ heading, description, address, cover, date, author, code }: Kit): string {
  const front = { title: heading, slug: address, date, author, description, cover };
  const lines = Object.entries(front)
    .filter(([, value]) => value !== '')
    .map(([name, value]) => `${name}: ${JSON.stringify(value)}`);
  return `---\n${lines.join('\n')}\n---\n\n${description === '' ? '' : `${escapedForMarkdown(description)}\n\n`}${code}\n`;
}

/** An article in HTML, to be pasted as source. */
export function kitAsHtml({ heading, description, date, author, code }: Kit): string {
  const paragraphs = description
    .split(/\n\s*\n/)
    .map((text) => text.trim())
    .filter(Boolean)
    .map((text) => `  <p>${escapeHtml(text)}</p>\n`);
  const by = author === '' ? '' : `${escapeHtml(author)}, `;
  return `<article>\n  <h1>${escapeHtml(heading)}</h1>\n  <p>${by}<time datetime="${escapeHtml(date)}">${escapeHtml(date)}</time></p>\n${paragraphs.join('')}${code}\n</article>\n`;
}
