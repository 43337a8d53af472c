import { Tokenizer } from 'htmlparser2';
import type { Attribute, Candidate, Range, Source } from '../model/candidate.ts';
import { readAddress, readLinks } from './links.ts';

/** An element that may be an embed, as it stands in the text. */
interface Tag {
  name: string;
  from: number;
  to: number;
  attributes: (Attribute & { range: Range | null })[];
  unclosed?: boolean;
}

interface Markup {
  frames: Tag[];
  links: Tag[];
  others: Tag[];
  texts: Range[];
}

const OLD = new Set(['object', 'embed']);

/** Embed codes in markup; where there is none, the links in it: of anchors, then in the text. */
export function readMarkup(text: string): Candidate[] {
  const markup = tokenise(text);
  if (markup.frames.length > 0) return markup.frames.map((tag) => frameCandidate(tag, text));
  const links = [
    ...markup.links.flatMap(anchorCandidates),
    ...markup.texts.flatMap(([from, to]) => readLinks(text.slice(from, to), from)),
  ];
  if (links.length > 0 && markup.others.length === 0) return links.sort((a, b) => a.range[0] - b.range[0]);
  if (markup.others.length > 0) return markup.others.map(unsupported);
  // A stray `<` in prose is no markup.
  return readLinks(text);
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

/** One pass over the text with the tokeniser; only tags that matter are kept. */
function tokenise(text: string): Markup {
  const markup: Markup = { frames: [], links: [], others: [], texts: [] };
  let tag = null as Tag | null;
  let name = '';
  let value: string | null = null;
  let nameEnd = 0;

  const close = (end: number): void => {
    if (!tag) return;
    tag.to = end + 1;
    (tag.name === 'iframe' ? markup.frames : tag.name === 'a' ? markup.links : markup.others).push(tag);
    tag = null;
  };
  const append = (piece: string): void => {
    value = (value ?? '') + piece;
  };
  const ignore = (): void => undefined;
  const tokenizer = new Tokenizer(
    { decodeEntities: true },
    {
      onopentagname(from, to) {
        const tagName = to - from <= 6 ? text.slice(from, to).toLowerCase() : '';
        tag = WANTED.has(tagName) ? { name: tagName, from: from - 1, to, attributes: [] } : null;
      },
      onattribname(from, to) {
        if (tag) name = text.slice(from, to).toLowerCase();
        value = null;
        nameEnd = to;
      },
      onattribdata(from, to) {
        if (tag) append(text.slice(from, to));
      },
      onattribentity(codepoint) {
        if (tag) append(String.fromCodePoint(codepoint));
      },
      onattribend(quote, end) {
        if (!tag) return;
        const range: Range | null = value === null ? null : valueRange(text, nameEnd, end, Number(quote) > UNQUOTED);
        // HTML, 13.2.5.33: of two attributes with one name, the first holds.
        if (tag.attributes.length < MOST_ATTRIBUTES && !tag.attributes.some((a) => a.name === name))
          tag.attributes.push({ name, value: value ?? (Number(quote) > 0 ? '' : null), range });
      },
      onopentagend: close,
      onselfclosingtag: close,
      ontext(from, to) {
        markup.texts.push([from, to]);
      },
      ontextentity: ignore,
      onclosetag: ignore,
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
    close(text.length - 1);
  }
  return markup;
}
/** Where the value of an attribute stands, between its quotes, with whatever entities are in it. */
function valueRange(text: string, nameEnd: number, end: number, quoted: boolean): Range {
  let from = text.indexOf('=', nameEnd) + 1;
  while (/\s/.test(text.charAt(from))) from++;
  return quoted ? [from + 1, end - 1] : [from, end];
}

/** The tokeniser's word for a value without quotes; quoted ones end one later, after the quote. */
const UNQUOTED = 1;
/** More than any code in earnest has; keeps the search for doubles short. */
const MOST_ATTRIBUTES = 200;
const WANTED = new Set(['iframe', 'a', 'object', 'embed', 'script']);
