import type { Candidate } from '../../model/candidate.ts';
import { readLinks } from './links.ts';

/** Words between brackets, in which signs that would be markup stand behind a backslash (CommonMark 0.31, section 2.4). */
const WORDS = String.raw`(?:\\.|[^\\<[\]])*`;
const ALONE = new RegExp(String.raw`^\s*\[(?:${WORDS}|!\[${WORDS}\]\([^\s()<>]*\))\]\(([^\s()<>]+)\)\s*$`);

/** A text that is one Markdown link and nothing else: whatever its words hold, only its destination counts. */
export function readMarkdownLink(text: string): Candidate | undefined {
  const address = ALONE.exec(text)?.[1];
  if (address === undefined) return undefined;
  const [link] = readLinks(address, text.lastIndexOf(address));
  return link && { ...link, source: 'markdown', range: [text.indexOf('['), text.trimEnd().length] };
}

/** How far around a link the brackets of Markdown may stand. */
const NEAR = 400;

/** A link among others as Markdown, if it stands in parentheses behind brackets: its range is then that of the whole. */
export function asMarkdown(link: Candidate, text: string): Candidate {
  if (!text.startsWith('](', link.range[0] - 2)) return link;
  const before = text.slice(Math.max(0, link.range[0] - NEAR), link.range[0]);
  const bracket = before.slice(before.lastIndexOf('\n') + 1).lastIndexOf('[');
  const close = text.slice(link.range[1], link.range[1] + NEAR).indexOf(')');
  const opened = bracket < 0 ? link.range[0] : link.range[0] - before.length + before.lastIndexOf('\n') + 1 + bracket;
  const from = text[opened - 1] === '!' ? opened - 1 : opened;
  return { ...link, source: 'markdown', range: [from, close < 0 ? link.range[1] : link.range[1] + close + 1] };
}
