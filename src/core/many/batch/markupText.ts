import { textOf, type Decoded } from './textOf.ts';

/** The parameter of a media type (RFC 9110, section 8.3.2). */
const CHARSET = /;\s*charset\s*=\s*"?([\w.:-]+)/i;

/** The encoding that a `Content-Type` names; undefined where it names none. */
export const charsetIn = (type: string): string | undefined => CHARSET.exec(type)?.[1];

/** How far into a text its encoding is looked for (HTML, section 13.2.3.2). */
const HEAD = 1024;
const DECLARED = /<meta[^>]{0,200}\bcharset\s*=\s*["']?([\w-]+)|<\?xml[^>]{0,100}\bencoding\s*=\s*["']([\w-]+)/i;

/** The encoding that a page or a feed names in its own text, in small letters; undefined where it names none. */
export function declaredIn(bytes: Uint8Array): string | undefined {
  const [, inHtml, inXml] = DECLARED.exec(String.fromCharCode(...bytes.subarray(0, HEAD))) ?? [];
  return (inHtml ?? inXml)?.toLowerCase();
}

/**
 * What a server answered, as text: by its byte order mark, else in the first encoding in which every byte fits of those
 * that its `Content-Type` and the text itself name (RFC 7303, section 3), else as any text. `said` is the `charset`.
 */
export function markupText(bytes: Uint8Array, said?: string): Decoded {
  const plain = textOf(bytes);
  if (plain.encoding.startsWith('utf-16')) return plain;
  for (const named of hasMark(bytes) ? [] : [said, declaredIn(bytes)]) {
    const decoded = named === undefined ? undefined : strictly(bytes, named);
    if (decoded) return decoded;
  }
  return plain;
}

const hasMark = ([first, second, third]: Uint8Array): boolean => first === 0xef && second === 0xbb && third === 0xbf;

/** The text in this encoding (Encoding Standard, section 4.2, for its names); undefined where there is none, or a byte does not fit. */
function strictly(bytes: Uint8Array, named: string): Decoded | undefined {
  try {
    const decoder = new TextDecoder(named, { fatal: true });
    // Bytes that are read one by one cannot hold the words that say that they stand in pairs.
    if (decoder.encoding.startsWith('utf-16')) return undefined;
    return { text: decoder.decode(bytes), encoding: decoder.encoding, guessed: false };
  } catch {
    return undefined;
  }
}
