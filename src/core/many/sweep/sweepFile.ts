import { canKeep } from '../../live/keep.ts';
import type { Context } from '../../context.ts';
import { aboutOf } from '../../model/item.ts';
import { siblingsIn, type Siblings } from '../../model/sibling.ts';
import { bringIn, type Recognised } from '../../pipeline.ts';
import { asItStands, changed, cutOut, loadsUnasked, type SweepSettings } from './change.ts';
import type { Piece } from './containers/container.ts';
import { containerOf } from './containers/list.ts';
import type { Left, LeftWhy, SweptEmbed, SweptFile, SweptLink } from './found.ts';
import { codeInScripts, inTemplate, surroundingsOf, type Surroundings } from './surroundings.ts';
import { LONGEST_TEXT } from '../../steps/read/read.ts';

/**
 * Every embed of a file, with what would go wrong with it and what the rules make of it. `text` is the decoded file; null
 * where it is none that a sweep looks into.
 */
export function sweepFile(file: string, text: string, settings: SweepSettings): SweptFile | null {
  const container = containerOf(file);
  if (!container) return null;
  const pieces = container.pieces(text);
  const found = emptyFile(file);
  const lineAt = lineCounter(text);
  for (const piece of pieces) sweepPiece({ piece, whole: text }, found, lineAt, settings);
  const { title, language } = found.around ?? surroundingsOf('');
  return { file, title, language, embeds: found.embeds, links: found.links, left: found.left };
}

interface Found {
  file: string;
  /** Those of the first piece that has a title or a language. */
  around: Surroundings | undefined;
  embeds: SweptEmbed[];
  links: SweptLink[];
  left: Left[];
}

const emptyFile = (file: string): Found => ({ file, around: undefined, embeds: [], links: [], left: [] });

/** A piece, and the file that it is of. */
interface Part {
  piece: Piece;
  whole: string;
}

function sweepPiece({ piece, whole }: Part, found: Found, lineAt: (place: number) => number, settings: SweepSettings): void {
  const { text } = piece;
  const { file } = found;
  const leave = (place: number, why: LeftWhy): void => void found.left.push({ file, line: lineAt(piece.origin(place)), why });
  if (text.length > LONGEST_TEXT) return leave(0, { code: 'tooLong' });
  const around = surroundingsOf(text);
  if (around.title || around.language) found.around ??= around;
  for (const place of codeInScripts(text)) leave(place, { code: 'inScript' });
  const all = EMBED.test(text) ? bringIn(text, settings.book) : [];
  const siblings = siblingsIn(all);
  for (const one of all) {
    const { candidate, item } = one;
    const [from] = candidate.range;
    if (candidate.source === 'link' || candidate.source === 'markdown') continue;
    if (!item) {
      leave(from, { code: 'notRead', refusal: one.refusal });
      continue;
    }
    const swept = sweepEmbed(one, { piece, whole, around, siblings, lineAt }, settings);
    found.embeds.push({ ...swept.embed, file });
    if (swept.why) leave(from, swept.why);
  }
  for (const link of loneLinks(text, settings)) found.links.push({ file, line: lineAt(piece.origin(link.place)), ...link.found });
}

/** Without any of these there is no code of an embed in a text. */
const EMBED = /<(?:iframe|object|embed|video|audio|script|blockquote|div|a)\b|\[[a-z]/i;

interface Where extends Part {
  around: Surroundings;
  siblings: (one: Recognised) => Siblings;
  lineAt: (place: number) => number;
}

function sweepEmbed(
  one: Recognised,
  { piece, whole, around, siblings, lineAt }: Where,
  settings: SweepSettings,
): { embed: Omit<SweptEmbed, 'file'>; why: LeftWhy | null } {
  const { candidate } = one;
  const item = one.item!;
  const about = aboutOf(item);
  const [from, to] = candidate.range;
  const { book, site, reached } = settings;
  const context: Context = { book, site, facts: {}, siblings: siblings(one), reached: reached?.get(about) };
  const plain = canKeep(candidate);
  const standing = cutOut(piece.text, candidate, item, settings.rules.titles ? around.headingAt(from) : '');
  const embed = plain ? asItStands(standing, context) : null;
  const found = {
    line: lineAt(piece.origin(from)),
    range: [piece.origin(from), piece.origin(to)] as const,
    source: candidate.source,
    kind: item.kind,
    host: item.host,
    item: about,
    frame: item.frame,
    title: String(item.settings.title ?? ''),
    loads: item.settings.load !== 'ask',
    findings: embed?.findings ?? [],
    change: null,
  };
  if (!embed) return { embed: found, why: { code: 'notPlain' } };
  if (inTemplate(piece.text, candidate.range)) return { embed: found, why: { code: 'inTemplate' } };
  const change = changed(standing, embed, context, settings);
  if (change === 'lost') return { embed: found, why: { code: 'notTheSame' } };
  if (!change) return { embed: { ...found, loads: loadsUnasked(embed) }, why: null };
  const after = piece.spell(change.after);
  if (after === null) return { embed: found, why: { code: 'cannotStand' } };
  const range = [piece.origin(from + change.range[0]), piece.origin(from + change.range[1])] as const;
  return { embed: { ...found, change: { ...change, range, before: whole.slice(...range), after } }, why: null };
}

/** A link to the end of its line, or of its paragraph. */
const LONE = /https?:\/\/[^\s<>"']{4,2000}(?=[ \t]*(?:$|[\r\n]|<\/(?:p|div|li|figure)>))/iy;
/** What stands before a link that has its line, or its paragraph, for itself. */
const BEFORE = /(?:^|[\r\n]|<(?:p|div|li|figure)\b[^<>]{0,200}>)[ \t]*$/i;

function loneLinks(text: string, { book }: SweepSettings): { place: number; found: Omit<SweptLink, 'file' | 'line'> }[] {
  const links: ReturnType<typeof loneLinks> = [];
  for (let at = text.indexOf('http'); at >= 0; at = text.indexOf('http', at + 4)) {
    // Most links stand in an attribute, and this is sooner seen.
    if (!/[\s>]|^$/.test(text.charAt(at - 1)) || !BEFORE.test(text.slice(Math.max(0, at - 300), at))) continue;
    LONE.lastIndex = at;
    const link = LONE.exec(text)?.[0];
    const item = link === undefined ? undefined : bringIn(link, book)[0]?.item;
    if (item && item.host !== null) links.push({ place: at, found: { host: item.host, item: item.canonical } });
  }
  return links;
}

/** The line of a place, from 1; asked in order, each line is counted once. */
function lineCounter(text: string): (place: number) => number {
  let [line, at] = [1, 0];
  return (place) => {
    if (place < at) [line, at] = [1, 0];
    for (let next = text.indexOf('\n', at); next >= 0 && next < place; next = text.indexOf('\n', at)) {
      line++;
      at = next + 1;
    }
    return line;
  };
}
