import type { Candidate, Range, Repair } from '../model/candidate.ts';
import { parseUrl } from '../model/url.ts';

const SCHEME = /^([a-z][a-z0-9+.-]{0,30}):/i;
/** A host name with a dot (or `localhost` with a port) and a path, as copied from an address bar that hides the scheme. */
const BARE_HOST = /^(?:[a-z0-9-]{1,63}\.)+[a-z]{2,24}(?::\d{1,5})?(?:[/?#]|$)/i;
/** Where a link may begin in prose. Each alternative is bounded, so that scanning stays linear. */
const BEGINNING = /(?:https?:)?\/\/[^\s<>"'`]|\b(?:javascript|data|vbscript|blob|file):[^\s<>"'`]/gi;
/** White space, quotes and brackets end a link, and so does the middle of a Markdown link. */
const LINK_END = /[\s<>"`\u0000-\u001f\u201c\u201d]|\]\(/g;
/** Punctuation of the sentence around a link. */
const OPENING = /^[([{'’‘“"]*/;
const TRAILING = /[.,;:!?'’)\]}]+$/;

/** Links in plain text: the text as a whole when it is one word, otherwise all that it names. */
export function readLinks(text: string, offset = 0): Candidate[] {
  if (PLAIN.test(text) && !MIXED.test(text)) return [plainLink(text, offset)];
  const from = text.search(/\S/);
  if (from < 0) return [];
  const word = text.trim();
  if (!/\s/.test(word) && (SCHEME.test(word) || word.startsWith('//') || BARE_HOST.test(word)))
    return [linkAt(word, offset + from)];
  return readProse(text, offset);
}

function readProse(text: string, offset: number): Candidate[] {
  const found: Candidate[] = [];
  BEGINNING.lastIndex = 0;
  for (let m = BEGINNING.exec(text); m; m = BEGINNING.exec(text)) {
    LINK_END.lastIndex = m.index;
    const end = LINK_END.exec(text)?.index ?? text.length;
    const exact = exactLink(text, m.index, end);
    const link = exact ?? trimTail(text.slice(m.index, end));
    if (!link.startsWith('//') || BARE_HOST.test(link.slice(2))) found.push(linkAt(link, offset + m.index));
    BEGINNING.lastIndex = exact === undefined ? end : m.index + exact.length;
  }
  return found.length > 0 ? found : readBareHosts(text, offset);
}

/** A link whose end is marked: `<…>`, or the destination of a Markdown link (CommonMark 0.31, sections 6.3 and 6.5). */
function exactLink(text: string, from: number, end: number): string | undefined {
  if (text[from - 1] === '<' && text[end] === '>') return text.slice(from, end);
  const close = text.startsWith('](', from - 2) ? text.slice(from, end).search(/[()]/) : -1;
  return close > 0 && text[from + close] === ')' ? text.slice(from, from + close) : undefined;
}

/** Without any full link, words such as `media.example/see/1` may be meant as links. */
function readBareHosts(text: string, offset: number): Candidate[] {
  const found: Candidate[] = [];
  for (const m of text.matchAll(/\S+/g)) {
    const opened = OPENING.exec(m[0])![0].length;
    const link = trimTail(m[0].slice(opened));
    if (link.includes('/') && BARE_HOST.test(link)) found.push(linkAt(link, offset + m.index + opened));
  }
  return found;
}

/** A closing bracket belongs to the sentence unless the link opened it. */
function trimTail(link: string): string {
  const tail = TRAILING.exec(link.slice(-40))?.[0] ?? '';
  const keep = link.includes('(') && tail.startsWith(')') ? 1 : 0;
  return link.slice(0, link.length - tail.length + keep);
}

/** Signs that may have to be put right: an entity, two questions, an ampersand before any, a question in the fragment. */
const MIXED = /&amp;|\?.*\?|^[^?]*&|#.*\?/i;
/** The usual case by far: one full link, and nothing to put right. */
const PLAIN = /^https?:\/\/[!-~]+$/;

function plainLink(address: string, from: number): Candidate {
  const range: Range = [from, from + address.length];
  const found: Candidate = { range, source: 'link', address, addressRange: range, attributes: [], repairs: [] };
  return parseUrl(address) ? found : { ...found, address: null, refusal: { code: 'notAnAddress', text: address.slice(0, 80) } };
}

function linkAt(written: string, from: number): Candidate {
  const range: Range = [from, from + written.length];
  return { range, source: 'link', addressRange: range, attributes: [], ...readAddress(written) };
}

type Address = Pick<Candidate, 'address' | 'repairs' | 'refusal'>;
const LOOPBACK = /^(?:[a-z0-9-]+\.)*localhost(?=[:/?#]|$)/i;

/** Makes a full http(s) address of what is written, and tells what it repaired or why it refuses. */
export function readAddress(written: string): Address {
  // URL Standard, section 4.4: tabs, line breaks and outer control characters do not count.
  const bare = trimControls(written).replace(/[\t\n\r]/g, '');
  const repairs: Repair[] = bare === written ? [] : [{ code: 'spaceTrimmed', was: written, now: bare }];
  let address = bare.replace(/&amp;/gi, '&');
  if (address !== bare) repairs.push({ code: 'entityTwice', was: '&amp;', now: '&' });
  const completed = complete(address);
  if (completed) {
    repairs.push({ code: address.startsWith('//') ? 'schemeRelative' : 'schemeAdded', was: address, now: completed });
    address = completed;
  }
  const tidy = putInOrder(address);
  if (tidy) {
    repairs.push({ code: tidy.code, was: address, now: tidy.address });
    address = tidy.address;
  }
  const scheme = SCHEME.exec(address)?.[1]?.toLowerCase();
  if (scheme !== 'http' && scheme !== 'https')
    return {
      address: null,
      repairs,
      refusal: scheme ? { code: 'unsafeScheme', scheme } : { code: 'notAnAddress', text: written.slice(0, 80) },
    };
  if (!parseUrl(address)) return { address: null, repairs, refusal: { code: 'notAnAddress', text: written.slice(0, 80) } };
  return { address, repairs };
}

/** Parameters joined by the wrong sign, or behind the fragment. */
function putInOrder(address: string): { code: Repair['code']; address: string } | undefined {
  const [head = '', fragment] = split(address, '#');
  const [path, query] = split(head, '?');
  const wrong = query === undefined ? -1 : query.search(/\?[\w-]+=/);
  if (query !== undefined && wrong > 0 && !query.slice(0, wrong).includes('://'))
    return { code: 'questionTwice', address: rejoin(path, query.replace(/\?(?=[\w-]+=)/g, '&'), fragment) };
  const missing = query === undefined && /^(.*?)&([\w-]+=.*)$/s.exec(path);
  if (missing) return { code: 'questionMissing', address: rejoin(missing[1]!, missing[2]!, fragment) };
  // A fragment with a path of its own is one of an application, not of a place.
  const behind = query === undefined && fragment !== undefined && /^([\w:.=,-]*)\?([\w-]+=.*)$/s.exec(fragment);
  return behind ? { code: 'fragmentFirst', address: rejoin(path, behind[2]!, behind[1]) } : undefined;
}

function split(text: string, sign: string): [string, string | undefined] {
  const at = text.indexOf(sign);
  return at < 0 ? [text, undefined] : [text.slice(0, at), text.slice(at + 1)];
}

const rejoin = (path: string, query: string, fragment: string | undefined): string =>
  `${path}?${query}${fragment ? `#${fragment}` : ''}`;

function trimControls(text: string): string {
  let [from, to] = [0, text.length];
  while (from < to && text.charCodeAt(from) <= 0x20) from++;
  while (to > from && text.charCodeAt(to - 1) <= 0x20) to--;
  return text.slice(from, to);
}

/** Adds the scheme that is missing: https, or http for this machine's own names, which have no certificate. */
function complete(address: string): string | undefined {
  const rest = address.startsWith('//')
    ? address.slice(2)
    : BARE_HOST.test(address) || LOOPBACK.test(address)
      ? address
      : undefined;
  return rest === undefined ? undefined : `${LOOPBACK.test(rest) ? 'http' : 'https'}://${rest}`;
}
