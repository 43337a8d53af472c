/**
 * Where a link in running text ends, after the idea of UTS #58: by the properties of its signs and by the brackets that
 * were open before it, whatever the script.
 */
export interface LinkEnd {
  end: number;
  /** Where what belongs to its word ends: a mark of the sentence, or of its text, may stand between. */
  stop: number;
  /** Where it would end if the sign that ended it belonged to it; only where that cannot be told. */
  orElse?: number;
}

const OPEN: Readonly<Record<string, string>> = { '(': ')', '[': ']', '{': '}' };
const CLOSE = new Set(Object.values(OPEN));
/** No link goes on behind these (URL Standard, section 1.3; RFC 3986, appendix C), nor behind an entity for one of them. */
const HARD = /[\s\p{Cc}<>"`\\^\p{Pi}\p{Pf}\p{Ps}\p{Pe}]/u;
const HARD_ENTITY = /&(?:lt|gt|quot|nbsp|#0*(?:34|39|60|62|160)|#x0*(?:22|27|3c|3e|a0));/iy;
/** Punctuation and signs of other alphabets and of typography, which addresses spell in per cent. */
const FOREIGN = /(?![\u00b7\u30fb\u203f-\u2040])[\p{P}\p{Sm}\p{So}\p{Sc}]/u;
/** Scripts that are written without spaces, or that tie endings to a word. */
const UNSPACED =
  /[\p{Script=Han}\p{Script=Hiragana}\p{Script=Katakana}\p{Script=Hangul}\p{Script=Thai}\p{Script=Lao}\p{Script=Khmer}\p{Script=Myanmar}]/u;
/** Marks of a sentence, which end no address. */
const TRAILING = /[.,;:!?']/;
/** Signs that stand on both sides of what they mark (CommonMark 0.31, section 6.2). */
const EMPHASIS = /[*_~]/;
const BEGINS_LINK = /[,;|]\s*https?:\/\//iy;

/** `from` is where the link begins. */
export function linkEnd(text: string, from: number): LinkEnd {
  const before = text.charAt(from - 1);
  const barred = before !== '' && '[<|{=\u2039'.includes(before);
  const open: { sign: string; at: number }[] = [];
  let at = from;
  let orElse: number | undefined;
  while (at < text.length) {
    const sign = String.fromCodePoint(text.codePointAt(at)!);
    if (endsAt(text, at, sign) || (sign === '|' && barred) || (sign === "'" && before === "'")) break;
    if (isForeign(text, at, sign)) {
      orElse = restOf(text, at);
      break;
    }
    if (Object.hasOwn(OPEN, sign)) {
      if (text.charAt(at + 1) === '/' && sign === '[') break;
      open.push({ sign: OPEN[sign]!, at });
    } else if (CLOSE.has(sign)) {
      if (open.at(-1)?.sign !== sign) break;
      open.pop();
    }
    at += sign.length;
  }
  // A bracket that is never closed may not be the link's.
  const unclosed = open[0]?.at ?? at;
  if (unclosed < at) orElse = at;
  const end = trimmed(text, from, labelled(text, from, unclosed));
  return orElse !== undefined && orElse > end ? { end, stop: orElse, orElse } : { end, stop: Math.max(end, at) };
}

function endsAt(text: string, at: number, sign: string): boolean {
  if (sign === '&') {
    HARD_ENTITY.lastIndex = at;
    return HARD_ENTITY.test(text);
  }
  if (sign === ',' || sign === ';' || sign === '|') {
    BEGINS_LINK.lastIndex = at;
    return BEGINS_LINK.test(text);
  }
  return !Object.hasOwn(OPEN, sign) && !CLOSE.has(sign) && HARD.test(sign);
}

function isForeign(text: string, at: number, sign: string): boolean {
  if (sign.codePointAt(0)! < 0x80) return false;
  return FOREIGN.test(sign) || (UNSPACED.test(sign) && /[a-z0-9]/i.test(text.charAt(at - 1)));
}

/** Where the word ends that goes on here without a gap; the same place where none does. */
function restOf(text: string, at: number): number {
  const [rest = ''] = text.slice(at, at + 400).split(/https?:\/\/|[\s<>"`\\\p{Cc}]/iu);
  const tail = /[\p{P}\p{S}]*$/u.exec(rest)![0].length;
  return tail === rest.length ? at : at + rest.length - tail;
}

/** `V[label]`, as some markup writes it: the label is not the link's, but `?a[]=1` is. */
function labelled(text: string, from: number, end: number): number {
  if (text.charAt(end - 1) !== ']') return end;
  const opened = text.lastIndexOf('[', end);
  return opened > from && end - opened > 2 && !/[=&]/.test(text.charAt(end)) ? opened : end;
}

function trimmed(text: string, from: number, end: number): number {
  let to = end;
  while (to > from && TRAILING.test(text.charAt(to - 1))) to--;
  const before = text.charAt(from - 1);
  for (let mark = from; EMPHASIS.test(before) && text.charAt(mark - 1) === before && text.charAt(to - 1) === before; mark--) to--;
  while (to > from && TRAILING.test(text.charAt(to - 1))) to--;
  return to;
}
