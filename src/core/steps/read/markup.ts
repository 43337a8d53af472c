import type { Candidate, PlacedAttribute, Range, Refusal } from '../../model/candidate.ts';
import { findTags, movedTag, wantedTags, type Tag } from '../../model/markup/tags.ts';
import { textsOutside } from '../../model/markup/texts.ts';
import { ANGLE, readAddress, readLinks } from './links.ts';
import { PAGE } from './mend.ts';
import { missingQuote } from './quotes.ts';
import { readShortcodes } from './shortcodes.ts';
import { findWrapper } from './wrapper.ts';

/** Elements that embed something by themselves, and what belongs to them. */
const EMBEDS = wantedTags('iframe', 'object', 'embed', 'param', 'video', 'audio', 'source', 'script');
const PLACEHOLDERS = wantedTags('div', 'a', 'blockquote', 'img', 'section', 'figure');
/** Elements of a host's own have a hyphen in their names (HTML, section 4.13.2). */
const isOwnElement = (name: string): boolean => name.includes('-');
const OWN_ELEMENT = /<[a-z][a-z0-9]*-/i;
/** A text in one of these is no text of the page, or is told by its element. */
const SILENT = new Set([
  'a',
  'script',
  'style',
  'title',
  'textarea',
  'iframe',
  'object',
  'video',
  'audio',
  'noscript',
  'template',
  'blockquote',
]);

/** Embed codes in markup and the links beside them; without codes, the links in it: of anchors, then in the text; at last, pictures. */
export function readMarkup(written: string): Candidate[] {
  // A link between angle brackets is no tag.
  const text = LINK_IN_ANGLES.test(written) ? written.replace(/<(?=(?:https?:)?\/\/)/gi, ANGLE) : written;
  if (/<(?:iframe|object|embed|video|audio|script)/i.test(text)) {
    const found = readEmbeds(text);
    if (found.length > 0) return PAGE.test(text) ? found : withLinks(found, text);
  }
  const tags = findTags(text, null);
  const waiting = tags.flatMap(waitingCandidates);
  if (waiting.length > 0) return waiting;
  const pictures = tags.filter((tag) => tag.name === 'img' && sourceOf(tag, 'src')?.value);
  const shown = new Set(pictures.map((tag) => withoutTail(sourceOf(tag, 'src')!.value!)));
  // A link to a picture that stands there itself is the picture's.
  const anchors = tags.filter(({ name }) => name === 'a').flatMap(anchorCandidates);
  const links = anchors.filter(({ address }) => address === null || !shown.has(withoutTail(address)));
  const silent = anchors.length > 0 ? SILENT : UNSEEN;
  links.push(...textsOutside(text, silent).flatMap(([from, to]) => readShortcodes(text.slice(from, to), from)));
  const beside = pictures
    .slice(0, MOST_PICTURES)
    .filter((tag) => links.length === 0 || isAlone(tag, tags, text))
    .map((tag) => elementCandidate(tag, tag.to));
  const usable = beside.length > 0 ? links.filter(({ address }) => address !== null && WEB_HOST.test(address)) : links;
  if (usable.length + beside.length > 0) return [...usable.sort((a, b) => a.range[0] - b.range[0]), ...beside];
  // A stray `<` in prose is no markup.
  return readLinks(text);
}

const LINK_IN_ANGLES = /<(?:https?:)?\/\//i;

/** An address without its parameters. */
const withoutTail = (address: string): string => address.replace(/[?#].*$/s, '');

/** A picture file that is shown by itself, and not the face of a link. */
function isAlone(tag: Tag, tags: readonly Tag[], text: string): boolean {
  if (!/\.(?:png|jpe?g|gif|webp|avif|svg)$/i.test(withoutTail(sourceOf(tag, 'src')!.value!))) return false;
  const anchor = tags.findLast((one) => one.name === 'a' && one.to <= tag.from);
  return anchor === undefined || text.toLowerCase().lastIndexOf('</a', tag.from) >= anchor.to;
}

/** More than a mail, or a code, in earnest has. */
const MOST_PICTURES = 100;

const UNSEEN = new Set(['script', 'style']);

/** Codes, and behind them the plain links that stand beside them; an address that a code holds is the code's. */
function withLinks(found: Candidate[], text: string): Candidate[] {
  const held = new Set(found.map(({ address }) => address));
  let next = 0;
  // Both stand in the order of the text.
  const isWithin = ([from, to]: Range): boolean => {
    while (found[next] && found[next]!.range[1] <= from) next++;
    return found[next] !== undefined && found[next]!.range[0] < to;
  };
  const links = textsOutside(text, SILENT)
    .flatMap(([from, to]) => (/\/\//.test(text.slice(from, to)) ? readLinks(text.slice(from, to), from) : []))
    .filter(({ address, range }) => address !== null && WEB_HOST.test(address) && !held.has(address) && !isWithin(range));
  return links.length === 0 ? found : [...found, ...links];
}

/** Beside a code only what is plainly a link is one: a host name with a dot, or this machine's. */
const WEB_HOST = /^https?:\/\/(?:[\p{L}\p{N}-]+\.)+[\p{L}\p{N}-]{2,}(?:[:/?#]|$)/iu;

/** Elements that hold an address until a visitor asks, or scrolls there: consent placeholders, and covers of ours. */
const WAITING = /^data-(?:[a-z]+-)*(?:src|url|frame|iframe|embed|href)(?:-[a-z]+)*$/;
const ADDRESS = /^\s*(?:https?:)?\/\/[^\s]/i;
const MEDIA = /\.(?:js|css|png|jpe?g|gif|webp|svg|avif)(?:[?#]|$)/i;

function waitingCandidates(tag: Tag): Candidate[] {
  if (tag.name === 'img' || tag.name === 'link' || tag.name === 'source') return [];
  const holder = tag.attributes.find(({ name, value }) => WAITING.test(name) && ADDRESS.test(value ?? '') && !MEDIA.test(value!));
  return holder ? [{ ...anchorCandidate(tag, holder), source: 'iframe' }] : [];
}

function readEmbeds(text: string): Candidate[] {
  const tags = findTags(text, EMBEDS);
  const found: Candidate[] = [];
  const lonelyScripts: Tag[] = [];
  const framed = new Set<string>();
  const noScripts = /<noscript/i.test(text);
  for (let i = 0; i < tags.length; i++) {
    const tag = tags[i]!;
    if (tag.name === 'iframe') {
      const frame = frameCandidate(tag, text);
      // Where scripts bring a frame in, one for visitors without scripts stands beside it.
      const twin = frame.address !== null && framed.has(frame.address);
      if (twin && noScripts && isForNoScript(text, tag.from)) continue;
      found.push(frame);
      if (frame.address !== null) framed.add(frame.address);
    } else if (tag.name === 'video' || tag.name === 'audio') {
      const sources: Tag[] = [];
      while (tags[i + 1]?.name === 'source') sources.push(tags[++i]!);
      found.push(mediaCandidate(tag, usableSource(tag, sources), text));
    } else if (tag.name === 'object' || tag.name === 'embed') {
      const end = tag.name === 'object' ? closingEnd(text, tag, CLOSINGS.object) : tag.to;
      const inner: Tag[] = [];
      while (tags[i + 1] && tags[i + 1]!.to <= end) inner.push(tags[++i]!);
      found.push(...objectCandidates(tag, inner, end));
    } else if (tag.name === 'script' && sourceOf(tag, 'src')?.value && lonelyScripts.length < MOST_SCRIPTS) {
      const candidates = scriptCandidates(tag, text);
      found.push(...candidates);
      if (candidates.length === 0) lonelyScripts.push(tag);
    }
  }
  if (found.length === 0 && lonelyScripts.length > 0 && !/<a\s|https?:\/\//i.test(text.replace(/<script[^<>]*>/gi, '')))
    return [lonelyScript(lonelyScripts[0]!)];
  return found;
}

function isForNoScript(text: string, at: number): boolean {
  const before = text.slice(Math.max(0, at - BEFORE), at).toLowerCase();
  return before.lastIndexOf('<noscript') > before.lastIndexOf('</noscript');
}

/** The first source whose address is whole, or else the first. */
function usableSource(tag: Tag, sources: readonly Tag[]): Tag | undefined {
  if (ADDRESS.test(sourceOf(tag, 'src')?.value ?? '')) return undefined;
  return (
    sources.find((one) => ADDRESS.test(sourceOf(one, 'src')?.value ?? '')) ?? (sourceOf(tag, 'src') ? undefined : sources[0])
  );
}

const sourceOf = (tag: Tag, name: string): PlacedAttribute | undefined => tag.attributes.find((a) => a.name === name);
const without = (tag: Tag, name: string): PlacedAttribute[] => tag.attributes.filter((a) => a.name !== name);
const MISSING: Refusal = { code: 'sourceMissing' };

function frameCandidate(tag: Tag, text: string): Candidate {
  const mended = missingQuote(tag);
  const named = sourceOf(mended.tag, 'src');
  const waits = ADDRESS.test(named?.value ?? '')
    ? undefined
    : mended.tag.attributes.find(({ name, value }) => WAITING_FRAME.test(name) && ADDRESS.test(value ?? ''));
  const source = waits ?? named;
  const end = closingEnd(text, tag, CLOSINGS.iframe);
  const wrapper = findWrapper(text, tag.from, end);
  const shared = {
    range: wrapper?.range ?? ([tag.from, end] as Range),
    source: 'iframe' as const,
    element: 'iframe',
    tag: [tag.from, tag.to] as Range,
    attributes: without(mended.tag, 'src').filter((a) => a !== waits),
    ...(source && { holder: source }),
    ...(wrapper && { wrapper: wrapperOf(wrapper) }),
  };
  if (!source?.value?.trim()) return { ...shared, address: null, addressRange: null, repairs: [], refusal: MISSING };
  const address = readAddress(source.value);
  const repairs = [
    ...mended.repairs,
    ...(waits ? [{ code: 'waiting' as const, was: waits.name, now: 'src' }] : []),
    ...address.repairs,
    ...(tag.unclosed ? [UNCLOSED] : []),
  ];
  return { ...shared, addressRange: source.range, ...address, repairs };
}

/** A frame that a script, or consent, is to bring in holds its address elsewhere; any `data-…` with an address will do. */
const WAITING_FRAME = /^data-/;

const wrapperOf = ({ range: _, ...wrapper }: NonNullable<ReturnType<typeof findWrapper>>): Candidate['wrapper'] => wrapper;

const UNCLOSED = { code: 'tagUnclosed', was: '<iframe …', now: '<iframe …></iframe>' } as const;

const CLOSINGS = {
  iframe: /<\/iframe\s*>|<iframe/gi,
  object: /<\/object\s*>|<object/gi,
  video: /<\/video\s*>|<video/gi,
  audio: /<\/audio\s*>|<audio/gi,
  script: /<\/script\s*>|<script/gi,
};

/** What stands up to the end tag belongs to the element; without one, the start tag stands alone. */
function closingEnd(text: string, tag: Tag, closing: RegExp): number {
  closing.lastIndex = tag.to;
  const end = closing.exec(text);
  return end?.[0].startsWith('</') ? end.index + end[0].length : tag.to;
}

/** An element whose `src` is the thing itself. */
function elementCandidate(tag: Tag, end: number, source = sourceOf(tag, 'src')): Candidate {
  const range: Range = [tag.from, end];
  const shared = {
    range,
    source: 'media' as const,
    element: tag.name,
    tag: [tag.from, tag.to] as Range,
    attributes: without(tag, 'src'),
    ...(source && { holder: source }),
  };
  if (!source?.value?.trim()) return { ...shared, address: null, addressRange: null, repairs: [], refusal: MISSING };
  return { ...shared, addressRange: source.range, ...readAddress(source.value) };
}

const mediaCandidate = (tag: Tag, inner: Tag | undefined, text: string): Candidate =>
  elementCandidate(tag, closingEnd(text, tag, CLOSINGS[tag.name as 'video' | 'audio']), sourceOf(inner ?? tag, 'src'));

/** Old object code: the address stands in the object, in a parameter, or in the embed inside; sizes likewise. */
function objectCandidates(tag: Tag, inner: readonly Tag[], end: number): Candidate[] {
  const frame = inner.find((t) => t.name === 'iframe');
  const embed = [tag, ...inner].find((t) => t.name === 'embed');
  const movie = inner.find((t) => t.name === 'param' && /^(?:movie|src|data|url)$/i.test(sourceOf(t, 'name')?.value ?? ''));
  const source =
    (frame && sourceOf(frame, 'src')) ??
    (embed && sourceOf(embed, 'src')) ??
    sourceOf(tag, 'data') ??
    (movie && sourceOf(movie, 'value'));
  const sizes = new Map<string, PlacedAttribute>();
  for (const attribute of [...tag.attributes, ...(embed?.attributes ?? [])])
    if (TAKEN_OVER.has(attribute.name) && !sizes.has(attribute.name)) sizes.set(attribute.name, attribute);
  const shared = {
    range: [tag.from, end] as Range,
    source: 'object' as const,
    element: tag.name,
    attributes: [...sizes.values()],
  };
  if (!source?.value?.trim()) return [{ ...shared, address: null, addressRange: null, repairs: [], refusal: MISSING }];
  const address = readAddress(source.value);
  const old = { code: 'oldCode', was: `<${tag.name}>`, now: '<iframe>' } as const;
  return [{ ...shared, addressRange: source.range, ...address, repairs: [old, ...address.repairs] }];
}

/** Attributes of an old object that mean the same on a frame. */
const TAKEN_OVER = new Set(['width', 'height', 'title', 'id', 'class', 'style', 'name', 'lang', 'dir']);

/** A page in earnest loads fewer; the search before each script costs time. */
const MOST_SCRIPTS = 500;
/** How far before a script its placeholder may begin. */
const BEFORE = 4000;

/** What may stand between a placeholder and its script: space, comments, and words. */
const BETWEEN =
  /^(?:\s|<!--(?:(?!-->)[^])*-->|<\/?(?:p|small|em|i|b|strong|br|figcaption|figure|div|noscript)\b[^<>]*>|[^<>]{1,400})*$/i;

/** A script with its placeholders: those right before it, or else right behind it; several of one make share one script. */
function scriptCandidates(tag: Tag, text: string): Candidate[] {
  const scriptEnd = closingEnd(text, tag, CLOSINGS.script);
  const from = Math.max(0, tag.from - BEFORE);
  const last = Math.max(from, text.lastIndexOf('<script', tag.from - 1));
  const before = placeholdersIn(text, last > from ? closingEndAt(text, last) : from, tag.from);
  const nearest = before.findLast(({ end }) => BETWEEN.test(text.slice(end, tag.from)));
  const next = text.indexOf('<script', scriptEnd);
  const behind = nearest
    ? []
    : placeholdersIn(text, scriptEnd, Math.min(text.length, scriptEnd + BEFORE, next < 0 ? Infinity : next));
  const first = nearest ?? behind.find(({ open }) => BETWEEN.test(text.slice(scriptEnd, open.from)));
  if (!first) return [];
  const alike = (nearest ? before : behind).filter((one) => one === first || sameMake(one.open, first.open));
  return alike.map((one) =>
    placeholderCandidate(one, { tag, reach: one !== first ? null : nearest ? [one.open.from, scriptEnd] : [tag.from, one.end] }),
  );
}

function closingEndAt(text: string, script: number): number {
  CLOSINGS.script.lastIndex = script + 7;
  return CLOSINGS.script.exec(text) ? CLOSINGS.script.lastIndex : script;
}

interface Placeholder {
  open: Tag;
  end: number;
  /** The words of a picture in it. */
  words: PlacedAttribute | undefined;
}

/** Elements between two places that may be placeholders, none within another. */
function placeholdersIn(text: string, from: number, to: number): Placeholder[] {
  const part = text.slice(from, to);
  const tags = (
    OWN_ELEMENT.test(part)
      ? findTags(part, null).filter(({ name }) => PLACEHOLDERS.names.has(name) || isOwnElement(name))
      : findTags(part, PLACEHOLDERS)
  ).map((tag) => movedTag(tag, from));
  const found: Placeholder[] = [];
  for (const open of tags) {
    if (open.name === 'img' || !(isTelling(open) || open.attributes.some(({ name }) => name === 'href' || name === 'class')))
      continue;
    const close = new RegExp(`</${open.name}\\s*>`, 'gi');
    close.lastIndex = open.to - from;
    const end = close.exec(part) ? close.lastIndex + from : -1;
    if (end < 0) continue;
    const words = tags
      .find((t) => t.name === 'img' && t.from >= open.to && t.from < end)
      ?.attributes.find((a) => a.name === 'alt');
    // The innermost of nested ones says which item it is, if it says anything.
    while (found.length > 0 && found.at(-1)!.end >= end && isTelling(open)) found.pop();
    if (found.length === 0 || found.at(-1)!.end <= open.from) found.push({ open, end, words });
  }
  return found;
}

const isTelling = ({ name, attributes }: Tag): boolean =>
  isOwnElement(name) ? attributes.length > 0 : attributes.some((a) => a.name.startsWith('data-'));

/** One element and another with the same attributes of data. */
const sameMake = (a: Tag, b: Tag): boolean => {
  const names = ({ attributes }: Tag): string =>
    attributes
      .flatMap(({ name }) => (name.startsWith('data-') ? [name] : []))
      .sort()
      .join(' ');
  const classOf = ({ attributes }: Tag): string | null | undefined => attributes.find(({ name }) => name === 'class')?.value;
  return (
    a.name === b.name && names(a) === names(b) && (names(a) !== '' || (classOf(a) !== undefined && classOf(a) === classOf(b)))
  );
};

function placeholderCandidate({ open, end, words }: Placeholder, { tag, reach }: { tag: Tag; reach: Range | null }): Candidate {
  const source = sourceOf(tag, 'src')!;
  return {
    range: reach ?? [open.from, end],
    source: 'script',
    element: open.name,
    tag: [open.from, open.to],
    attributes: [...open.attributes, ...(words ? [words] : [])],
    addressRange: source.range,
    ...readAddress(source.value!),
  };
}

function lonelyScript(tag: Tag): Candidate {
  const source = sourceOf(tag, 'src')!;
  const read = readAddress(source.value!);
  const refusal = read.refusal ?? { code: 'scriptUnknown', address: source.value!.replace(/^https?:\/\//, '').slice(0, 80) };
  return { range: [tag.from, tag.to], source: 'script', attributes: [], addressRange: source.range, ...read, refusal };
}

function anchorCandidates(tag: Tag): Candidate[] {
  const href = sourceOf(tag, 'href');
  const usable = /^\s*(?:[a-z][a-z0-9+.-]*:|\/\/)/i.test(href?.value ?? '') && !/^\s*(?:mailto|tel):/i.test(href!.value!);
  return usable ? [anchorCandidate(tag, href!)] : [];
}

const anchorCandidate = (tag: Tag, address: PlacedAttribute): Candidate => ({
  range: [tag.from, tag.to],
  source: 'link',
  addressRange: address.range,
  attributes: [],
  ...readAddress(address.value!),
});
