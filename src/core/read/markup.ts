import type { Candidate, Range, Source } from '../model/candidate.ts';
import { readAddress, readLinks } from './links.ts';
import { findTags, type Tag } from './tags.ts';

const FRAMES = new Set(['iframe']);
const ALL = new Set(['iframe', 'a', 'object', 'embed', 'script']);
const OLD = new Set(['object', 'embed']);

/** Embed codes in markup; where there is none, the links in it: of anchors, then in the text. */
export function readMarkup(text: string): Candidate[] {
  if (/<iframe/i.test(text)) {
    const { tags } = findTags(text, FRAMES);
    if (tags.length > 0) return tags.map((tag) => frameCandidate(tag, text));
  }
  const { tags, texts } = findTags(text, ALL);
  const others = tags.filter((tag) => tag.name !== 'a');
  if (others.length > 0) return others.map(unsupported);
  const links = [...tags.flatMap(anchorCandidates), ...texts.flatMap(([from, to]) => readLinks(text.slice(from, to), from))];
  // A stray `<` in prose is no markup.
  return links.length > 0 ? links.sort((a, b) => a.range[0] - b.range[0]) : readLinks(text);
}

function frameCandidate(tag: Tag, text: string): Candidate {
  const range: Range = [tag.from, closingEnd(text, tag.to)];
  const source = tag.attributes.find((a) => a.name === 'src');
  const attributes = tag.attributes.filter((a) => a.name !== 'src').map(({ name, value }) => ({ name, value }));
  const shared = { range, source: 'iframe' as const, attributes };
  if (!source?.value?.trim())
    return { ...shared, address: null, addressRange: null, repairs: [], refusal: { code: 'sourceMissing' } };
  const address = readAddress(source.value);
  const repairs = tag.unclosed ? [...address.repairs, UNCLOSED] : address.repairs;
  return { ...shared, addressRange: source.range, ...address, repairs };
}

const UNCLOSED = { code: 'tagUnclosed', was: '<iframe …', now: '<iframe …></iframe>' } as const;

/** An iframe has no content of its own; what stands up to its end tag belongs to it. */
function closingEnd(text: string, from: number): number {
  CLOSING.lastIndex = from;
  const end = CLOSING.exec(text);
  return end && !end[0].endsWith('e') ? end.index + end[0].length : from;
}
const CLOSING = /<\/iframe\s*>|<iframe/gi;

function anchorCandidates(tag: Tag): Candidate[] {
  const href = tag.attributes.find((a) => a.name === 'href');
  if (!href?.value || !/^\s*(?:[a-z][a-z0-9+.-]*:|\/\/)/i.test(href.value) || /^\s*(?:mailto|tel):/i.test(href.value)) return [];
  return [{ range: [tag.from, tag.to], source: 'link', addressRange: href.range, attributes: [], ...readAddress(href.value) }];
}

function unsupported(tag: Tag): Candidate {
  const source: Source = OLD.has(tag.name) ? 'object' : 'script';
  return {
    range: [tag.from, tag.to],
    source,
    address: null,
    addressRange: null,
    attributes: [],
    repairs: [],
    refusal: { code: 'codeUnsupported', source },
  };
}
