import { decodeHTMLAttribute } from 'entities';

/** One parameter of an address as it is written in a code, with the sign that joins it to what is before. */
export interface AddressPart {
  place: 'query' | 'fragment';
  /** As written: `?`, `&amp;`, `&#38;`, `#`. */
  joint: string;
  /** As written; empty where a sign has nothing behind it. */
  text: string;
  /** As it is meant. */
  meant: string;
}

/** An address as it is written: what stands before its parameters, and each of them. Joined again they are the text. */
export interface WrittenAddress {
  head: string;
  parts: AddressPart[];
}

const ENTITY = /&(?:#x[\da-f]{1,6}|#\d{1,7}|[a-z][\da-z]{1,31});?/gi;
/** An ampersand, also one that was escaped more often than it should be. */
const AMPERSAND = /&(?:(?:amp|#0*38|#x0*26);)*/iy;

/** The text as an attribute means it (HTML, section 13.2.5.36), and where each of its signs stands in what is written. */
function meantBy(written: string): { text: string; at: (index: number) => number } {
  if (!written.includes('&')) return { text: written, at: (index) => index };
  let text = '';
  /** Ends of entities in what is meant, and how much longer what is written had become there. */
  const shifts: { end: number; by: number }[] = [];
  let by = 0;
  let from = 0;
  for (const { 0: entity, index } of written.matchAll(ENTITY)) {
    const next = written.charAt(index + entity.length);
    const decoded = entity.endsWith(';') || !/[=a-z\d]/i.test(next) ? decodeHTMLAttribute(entity) : entity;
    if (decoded === entity) continue;
    text += written.slice(from, index) + decoded;
    from = index + entity.length;
    by += entity.length - decoded.length;
    shifts.push({ end: text.length, by });
  }
  text += written.slice(from);
  let at = 0;
  let last = 0;
  return {
    text,
    // Asked in order, so that each look goes on where the last one ended.
    at: (index) => {
      if (index < last) at = 0;
      last = index;
      while (at < shifts.length && shifts[at]!.end <= index) at++;
      return index + (at === 0 ? 0 : shifts[at - 1]!.by);
    },
  };
}

/** Takes an address apart as it stands in an attribute, whichever way its signs are escaped. */
export function writtenParts(written: string): WrittenAddress {
  const { text, at } = meantBy(written);
  const parts: AddressPart[] = [];
  let place: AddressPart['place'] | null = null;
  let begins = 0;
  let joint: [number, number] = [0, 0];
  let head = written;
  const close = (end: number): void => {
    if (place === null) head = written.slice(0, at(end));
    else {
      const [from, to] = [at(joint[0]), at(joint[1])];
      parts.push({ place, joint: written.slice(from, to), text: written.slice(to, at(end)), meant: text.slice(begins, end) });
    }
  };
  for (let i = 0; i < text.length;) {
    const sign = text.charAt(i);
    let length = 0;
    if (sign === '&' && place !== null) {
      AMPERSAND.lastIndex = i;
      length = AMPERSAND.exec(text)![0].length;
    } else if (sign === '&') {
      AMPERSAND.lastIndex = i;
      // Before the parameters it is a sign like others, and what escapes it is no fragment.
      i += AMPERSAND.exec(text)![0].length;
      continue;
    } else if ((sign === '?' && place === null) || (sign === '#' && place !== 'fragment')) length = 1;
    if (length === 0) {
      i++;
      continue;
    }
    close(i);
    if (sign !== '&') place = sign === '?' ? 'query' : 'fragment';
    joint = [i, i + length];
    i += length;
    begins = i;
  }
  close(text.length);
  return { head, parts };
}

/** The name of a parameter, decoded (URL Standard, section 5.1). */
export function nameOf(meant: string): string {
  const name = meant.split('=', 1)[0]!;
  try {
    return decodeURIComponent(name.replaceAll('+', ' '));
  } catch {
    return name;
  }
}
