import type { Candidate, PlacedAttribute, Range, Refusal } from '../model/candidate.ts';
import { readAddress, readLinks } from './links.ts';
import { missingQuote } from './quotes.ts';
import { findTags, type Tag } from '../markup/tags.ts';
import { findWrapper } from './wrapper.ts';

/** Elements that embed something by themselves, and what belongs to them. */
const EMBEDS = new Set(['iframe', 'object', 'embed', 'param', 'video', 'audio', 'source', 'script']);
const LINKS = new Set(['a', 'img']);
const PLACEHOLDERS = new Set(['div', 'a', 'blockquote', 'img']);

/** Embed codes in markup; where there is none, the links in it: of anchors, then in the text; at last, pictures. */
export function readMarkup(text: string): Candidate[] {
  if (/<(?:iframe|object|embed|video|audio|script)/i.test(text)) {
    const found = readEmbeds(text);
    if (found.length > 0) return found;
  }
  const texts: Range[] = [];
  const tags = findTags(text, LINKS, (from, to) => texts.push([from, to]));
  const covers = tags.filter((tag) => sourceOf(tag, 'data-frame')?.value);
  if (covers.length > 0) return covers.map((tag) => anchorCandidate(tag, sourceOf(tag, 'data-frame')!));
  const anchors = tags.filter((tag) => tag.name === 'a').flatMap(anchorCandidates);
  const links = [...anchors, ...texts.flatMap(([from, to]) => readLinks(text.slice(from, to), from))];
  if (links.length > 0) return links.sort((a, b) => a.range[0] - b.range[0]);
  const pictures = tags.filter((tag) => tag.name === 'img' && sourceOf(tag, 'src')?.value);
  if (pictures.length > 0) return pictures.map((tag) => elementCandidate(tag, tag.to));
  // A stray `<` in prose is no markup.
  return readLinks(text);
}

function readEmbeds(text: string): Candidate[] {
  const tags = findTags(text, EMBEDS);
  const found: Candidate[] = [];
  const lonelyScripts: Tag[] = [];
  for (let i = 0; i < tags.length; i++) {
    const tag = tags[i]!;
    if (tag.name === 'iframe') found.push(frameCandidate(tag, text));
    else if (tag.name === 'video' || tag.name === 'audio') {
      const inner = tags[i + 1]?.name === 'source' && sourceOf(tag, 'src') === undefined ? tags[++i] : undefined;
      found.push(mediaCandidate(tag, inner, text));
      while (tags[i + 1]?.name === 'source') i++;
    } else if (tag.name === 'object' || tag.name === 'embed') {
      const end = tag.name === 'object' ? closingEnd(text, tag, CLOSINGS.object) : tag.to;
      const inner: Tag[] = [];
      while (tags[i + 1] && tags[i + 1]!.to <= end) inner.push(tags[++i]!);
      found.push(...objectCandidates(tag, inner, end));
    } else if (tag.name === 'script' && sourceOf(tag, 'src')?.value && lonelyScripts.length < MOST_SCRIPTS) {
      const candidate = scriptCandidate(tag, text);
      if (candidate) found.push(candidate);
      else lonelyScripts.push(tag);
    }
  }
  if (found.length === 0 && lonelyScripts.length > 0 && !/<a\s|https?:\/\//i.test(text.replace(/<script[^<>]*>/gi, '')))
    return [lonelyScript(lonelyScripts[0]!)];
  return found;
}

const sourceOf = (tag: Tag, name: string): PlacedAttribute | undefined => tag.attributes.find((a) => a.name === name);
const without = (tag: Tag, name: string): PlacedAttribute[] => tag.attributes.filter((a) => a.name !== name);
const MISSING: Refusal = { code: 'sourceMissing' };

function frameCandidate(tag: Tag, text: string): Candidate {
  const mended = missingQuote(tag);
  const source = sourceOf(mended.tag, 'src');
  const end = closingEnd(text, tag, CLOSINGS.iframe);
  const wrapper = findWrapper(text, tag.from, end);
  const shared = {
    range: wrapper?.range ?? ([tag.from, end] as Range),
    source: 'iframe' as const,
    element: 'iframe',
    tag: [tag.from, tag.to] as Range,
    attributes: without(mended.tag, 'src'),
    ...(source && { holder: source }),
    ...(wrapper && { wrapper: wrapperOf(wrapper) }),
  };
  if (!source?.value?.trim()) return { ...shared, address: null, addressRange: null, repairs: [], refusal: MISSING };
  const address = readAddress(source.value);
  const repairs = [...mended.repairs, ...address.repairs, ...(tag.unclosed ? [UNCLOSED] : [])];
  return { ...shared, addressRange: source.range, ...address, repairs };
}

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

/** A script with the placeholder that stands right before it: a div, a link, a quotation. */
function scriptCandidate(tag: Tag, text: string): Candidate | null {
  const from = Math.max(0, tag.from - BEFORE);
  const before = text.slice(from, tag.from);
  const closed = /<\/(div|a|blockquote)\s*>\s*$/i.exec(before)?.[1]?.toLowerCase();
  if (!closed) return null;
  const near = findTags(before, PLACEHOLDERS);
  const open = near.filter((t) => t.name === closed).at(-1);
  const words = near.find((t) => t.name === 'img' && open && t.from >= open.to)?.attributes.find((a) => a.name === 'alt');
  if (!open || !open.attributes.some((a) => a.name.startsWith('data-') || a.name === 'href' || a.name === 'class')) return null;
  const source = sourceOf(tag, 'src')!;
  const shift = ([a, b]: Range): Range => [a + from, b + from];
  return {
    range: [open.from + from, closingEnd(text, tag, CLOSINGS.script)],
    source: 'script',
    element: closed,
    tag: shift([open.from, open.to]),
    attributes: [...open.attributes, ...(words ? [words] : [])].map((a) => ({
      ...a,
      whole: shift(a.whole),
      range: a.range && shift(a.range),
    })),
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
