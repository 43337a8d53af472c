import { declaredIn, markupText } from '../batch/markupText.ts';

/** A file as text, and how to make bytes of it again; `encode` gives null for what the encoding of the file cannot hold. */
export interface FileText {
  text: string;
  encoding: string;
  encode: (text: string) => Uint8Array<ArrayBuffer> | null;
}

/** Encodings with one byte a sign, as pages declare them (Encoding Standard, section 4.2). */
const SINGLE = /^(?:iso-?8859-\d{1,2}|latin1|windows-125\d|cp125\d|koi8-[ru]|us-ascii|ascii|macintosh)$/i;

/** The text of a file by its byte order mark, what it declares, or as UTF-8; else as the code page of Western systems. */
export function decodeFile(bytes: Uint8Array): FileText {
  const declared = declaredIn(bytes);
  const marked = bytes[0] === 0xef && bytes[1] === 0xbb && bytes[2] === 0xbf;
  // What is declared holds, even where the bytes would pass for something else: so browsers read it.
  if (!marked && declared !== undefined && SINGLE.test(declared)) return singleByte(bytes, declared);
  const utf8 = strictly(bytes);
  if (utf8 !== null) return { text: utf8, encoding: 'utf-8', encode: encodeUtf8 };
  const { text, encoding } = markupText(bytes);
  if (encoding === 'windows-1252') return singleByte(bytes, encoding);
  // What stands in other encodings is read, and left as it is.
  return encoding === 'utf-16le' || encoding === 'utf-16be'
    ? doubleByte(bytes, encoding)
    : { text, encoding, encode: () => null };
}

/** Whether a file that is written anew from its own text has the bytes that it had. */
export function survives(bytes: Uint8Array, { text, encode }: FileText): boolean {
  const again = encode(text);
  return again !== null && again.length === bytes.length && again.every((byte, i) => byte === bytes[i]);
}

/** UTF-8 with its mark, where it has one; null where a byte does not fit, or none is text. */
function strictly(bytes: Uint8Array): string | null {
  try {
    const text = new TextDecoder('utf-8', { fatal: true, ignoreBOM: true }).decode(bytes);
    return text.includes('\u0000') ? null : text;
  } catch {
    return null;
  }
}

const encodeUtf8 = (text: string): Uint8Array<ArrayBuffer> => new TextEncoder().encode(text);

function singleByte(bytes: Uint8Array, encoding: string): FileText {
  const all = new TextDecoder(encoding).decode(Uint8Array.from({ length: 256 }, (_, byte) => byte));
  const byteOf = new Map([...all].map((sign, byte) => [sign, byte]));
  return {
    text: new TextDecoder(encoding).decode(bytes),
    encoding,
    encode: (text) => {
      const found = Array.from(text, (sign) => byteOf.get(sign));
      return found.includes(undefined) ? null : Uint8Array.from(found as number[]);
    },
  };
}

function doubleByte(bytes: Uint8Array, encoding: 'utf-16le' | 'utf-16be'): FileText {
  const little = encoding === 'utf-16le';
  return {
    text: new TextDecoder(encoding, { ignoreBOM: true }).decode(bytes),
    encoding,
    encode: (text) => {
      const view = new DataView(new ArrayBuffer(text.length * 2));
      for (let i = 0; i < text.length; i++) view.setUint16(i * 2, text.charCodeAt(i), little);
      return new Uint8Array(view.buffer);
    },
  };
}
