/** A text from bytes, and in which encoding it was. `guessed` where it said nothing of it and was no UTF-8. */
export interface Decoded {
  text: string;
  /** By its name in the Encoding Standard. */
  encoding: string;
  guessed: boolean;
}

const MARKS: readonly (readonly [string, readonly number[]])[] = [
  ['utf-8', [0xef, 0xbb, 0xbf]],
  ['utf-16le', [0xff, 0xfe]],
  ['utf-16be', [0xfe, 0xff]],
];

/**
 * Bytes of a table or a text as spreadsheets write them: by their byte order mark (Encoding Standard, section 4.2), else
 * as UTF-8 where every byte fits, else as the code page of Western systems.
 */
export function textOf(bytes: Uint8Array): Decoded {
  const marked = MARKS.find(([, mark]) => mark.every((byte, i) => bytes[i] === byte));
  const encoding = marked?.[0] ?? withoutMark(bytes);
  if (encoding) return { text: new TextDecoder(encoding).decode(bytes), encoding, guessed: false };
  try {
    return { text: new TextDecoder('utf-8', { fatal: true }).decode(bytes), encoding: 'utf-8', guessed: false };
  } catch {
    return { text: new TextDecoder('windows-1252').decode(bytes), encoding: 'windows-1252', guessed: true };
  }
}

/** UTF-16 without a mark: every other byte of Western text is nought. */
function withoutMark(bytes: Uint8Array): 'utf-16le' | 'utf-16be' | undefined {
  const looked = Math.min(bytes.length, 400) & ~1;
  let [even, odd] = [0, 0];
  for (let i = 0; i < looked; i += 2) {
    if (bytes[i] === 0) even++;
    if (bytes[i + 1] === 0) odd++;
  }
  if (looked < 8) return undefined;
  if (odd > looked * 0.4 && even < looked * 0.05) return 'utf-16le';
  return even > looked * 0.4 && odd < looked * 0.05 ? 'utf-16be' : undefined;
}
