import { decodeHTML } from 'entities';
import type { Candidate, Range, Repair } from '../../model/candidate.ts';
import { isAsParsed, splitUrl } from '../../model/url.ts';
import { linkEnd, type LinkEnd } from './linkEnd.ts';

const SCHEME = /^([a-z][a-z0-9+.-]{0,30}):/i;
/** A host name with a dot (or `localhost` with a port) and a path, as copied from an address bar that hides the scheme. */
const BARE_HOST = /^(?:[\p{L}\p{N}-]{1,63}\.)+[\p{L}-]{2,24}(?::\d{1,5})?(?:[/?#]|$)/iu;
/** Where a link may begin in prose. Each alternative is bounded, so that scanning stays linear. */
const BEGINNING = /(?:https?:)?\/\/[^\s<>"'`]|\b(?:javascript|data|vbscript|blob|file):[^\s<>"'`]/gi;
/** Punctuation of the sentence before a word. */
const OPENING = /^[\p{Ps}\p{Pi}'"*_~]*/u;

/** Links in plain text: all that it names. */
export function readLinks(text: string, offset = 0): Candidate[] {
  const plain = readPlainLink(text, offset);
  if (plain) return [plain];
  const from = text.search(/\S/);
  if (from < 0) return [];
  const word = text.trim();
  if (/^(?:https?:\/{0,2}|\/\/)$/i.test(word)) return [linkAt(word, offset + from)];
  const found = readProse(text, offset);
  return found.length > 0 ? found : readBareHosts(text, offset);
}

function readProse(text: string, offset: number): Candidate[] {
  const found: Candidate[] = [];
  BEGINNING.lastIndex = 0;
  for (let m = BEGINNING.exec(text); m; m = BEGINNING.exec(text)) {
    const { end, stop, orElse } = exactEnd(text, m.index) ?? linkEnd(text, m.index);
    BEGINNING.lastIndex = Math.max(stop, m.index + 1);
    const link = text.slice(m.index, end);
    if (link.startsWith('//') && !BARE_HOST.test(link.slice(2))) continue;
    const doubt =
      orElse === undefined ? null : { range: [m.index + offset, orElse + offset] as const, text: text.slice(m.index, orElse) };
    const unbroken = link.includes('\n') ? link.replace(/[ \t]*\n[ \t]*/g, '') : link;
    found.push({ ...linkAt(link, offset + m.index), ...(unbroken !== link && readAddress(unbroken)), ...(doubt && { doubt }) });
  }
  return found;
}

/** Stands for the sign before a link between angle brackets, where markup is looked for, so that no tag seems to begin. */
export const ANGLE = '\u2039';
/** Within angle brackets, up to a label behind a bar; a line break in them is none of the link's (RFC 3986, appendix C). */
const ANGLED = /(?:[^\s<>"|]|[ \t]*\n[ \t]*){1,4000}(?=[|>])/y;

/** A link whose end is marked: `<…>`, or the destination of a Markdown link (CommonMark 0.31, sections 6.3 and 6.5). */
function exactEnd(text: string, from: number): LinkEnd | undefined {
  const before = text.charAt(from - 1);
  if (before === '<' || before === ANGLE) {
    ANGLED.lastIndex = from;
    const end = ANGLED.exec(text) ? ANGLED.lastIndex : undefined;
    if (end !== undefined) return { end, stop: end };
  }
  if (!text.startsWith('](', from - 2)) return undefined;
  const { stop } = linkEnd(text, from);
  return text.charAt(stop) === ')' ? { end: stop, stop } : undefined;
}

/** Without any full link, words such as `media.example/see/1` may be meant as links. */
function readBareHosts(text: string, offset: number): Candidate[] {
  const found: Candidate[] = [];
  const alone = !/\S\s+\S/.test(text);
  for (const m of text.matchAll(/\S+/g)) {
    const opened = m.index + OPENING.exec(m[0])![0].length;
    const link = text.slice(opened, linkEnd(text, opened).end);
    if ((alone || link.includes('/')) && BARE_HOST.test(link)) found.push(linkAt(link, offset + opened));
  }
  return found;
}

/** Signs that may have to be put right: two questions, an ampersand before any or before the fragment, a question in the fragment. */
function isMixed(text: string): boolean {
  const [question, ampersand, hash] = [text.indexOf('?'), text.indexOf('&'), text.indexOf('#')];
  if (question < 0) return ampersand >= 0;
  return (
    (ampersand >= 0 && ampersand < question) ||
    (hash >= 0 && hash < question) ||
    text.includes('?', question + 1) ||
    text.includes('&#')
  );
}
/** No mark of a sentence or of a text. */
const LAST = /[\w/=&%+$-]$/;

/** The usual case by far: the text is one full link, and nothing is to be put right; null where it is anything else. */
export function readPlainLink(text: string, from = 0): Candidate | null {
  // Behind a comma another link may begin.
  if (!isAsParsed(text) || text.includes(',') || !LAST.test(text) || isMixed(text)) return null;
  const range: Range = [from, from + text.length];
  return { range, source: 'link', address: text, addressRange: range, attributes: [], repairs: [] };
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
  let address = withoutEntities(bare);
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
  if (!splitUrl(address)) return { address: null, repairs, refusal: { code: 'notAnAddress', text: written.slice(0, 80) } };
  return { address, repairs };
}

/** Entities that stand for signs of an address, written as often as they are; what follows them is the address's own. */
const withoutEntities = (text: string): string =>
  text.includes('&')
    ? text
        .replace(/&(?:(?:amp|#0*38|#x0*26);)+/gi, '&')
        .replace(/&(?:#\d{2,3}|#x[\da-f]{2}|equals|quest|num|sol|colon|period|lowbar);/gi, (entity) => decodeHTML(entity))
    : text;

/** Parameters joined by the wrong sign, or behind the fragment. */
function putInOrder(address: string): { code: Repair['code']; address: string } | undefined {
  const [head = '', fragment] = split(address, '#');
  const [path, query] = split(head, '?');
  const wrong = query === undefined ? -1 : query.search(/\?[\w-]+=/);
  if (query !== undefined && wrong > 0 && !query.slice(0, wrong).includes('://'))
    return { code: 'questionTwice', address: rejoin(path, query.replace(/\?(?=[\w-]+=)/g, '&'), fragment) };
  const missing = query === undefined ? path.search(/&[\w-]+=/) : -1;
  if (missing >= 0)
    return { code: 'questionMissing', address: rejoin(path.slice(0, missing), path.slice(missing + 1), fragment) };
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
