import { unzipSync } from 'fflate';
import crc from 'crc-32';

/** What a zip file holds, or why it is not taken. */
export type Zip =
  | { files: ReadonlyMap<string, Uint8Array>; damaged: string[] }
  | { refusal: { code: 'noZip' } | { code: 'tooLarge'; bytes: number; most: number } };

/** Bytes of all files together, unpacked; and how many there may be. */
const MOST_BYTES = 512 * 1024 * 1024;
const MOST_FILES = 210_000;
/** From this size on, what claims to have been packed more tightly than words of people can be is no such thing. */
const SUSPICIOUS = { bytes: 16 * 1024 * 1024, ratio: 100 };

/**
 * The wanted files of a zip file. What it claims is added up before anything is unpacked, and the checksum of each
 * file is checked (APPNOTE 6.3.10, section 4.4.7); those whose checksum does not match are named.
 */
export function unzip(bytes: Uint8Array, wanted: (name: string) => boolean): Zip {
  try {
    const claim = claimOf(bytes, wanted);
    if (claim.bytes > claim.most) return { refusal: { code: 'tooLarge', ...claim } };
    const checksums = checksumsOf(bytes);
    const files = new Map<string, Uint8Array>();
    const damaged: string[] = [];
    const all = contentsOf(bytes, wanted);
    for (const [name, checksum] of checksums) {
      if (!wanted(name)) continue;
      // Where one of them cannot be unpacked, each is tried by itself.
      const content = all ? all[name] : contentsOf(bytes, (one) => one === name)?.[name];
      if (content && crc.buf(content) >>> 0 === checksum) files.set(name, content);
      else damaged.push(name);
    }
    return { files, damaged };
  } catch {
    return { refusal: { code: 'noZip' } };
  }
}

/** What the files claim to take, and how much of that is taken: all together, and none packed more tightly than can be. */
function claimOf(bytes: Uint8Array, wanted: (name: string) => boolean): { bytes: number; most: number } {
  let [total, count, most] = [0, 0, MOST_BYTES];
  unzipSync(bytes, {
    filter: ({ name, size, originalSize }) => {
      count += 1;
      if (wanted(name)) total += originalSize;
      if (originalSize > SUSPICIOUS.bytes && originalSize > SUSPICIOUS.ratio * size)
        most = Math.min(most, SUSPICIOUS.ratio * size);
      return false;
    },
  });
  return { bytes: count > MOST_FILES ? Infinity : total, most };
}

/** Files unpacked; undefined where one of them cannot be. */
function contentsOf(bytes: Uint8Array, wanted: (name: string) => boolean): Record<string, Uint8Array> | undefined {
  try {
    return unzipSync(bytes, { filter: ({ name }) => wanted(name) });
  } catch {
    return undefined;
  }
}

/** CRC-32 of each file, from the directory at the end of the zip file (APPNOTE 6.3.10, sections 4.3.12 and 4.3.16). */
function checksumsOf(bytes: Uint8Array): Map<string, number> {
  const view = new DataView(bytes.buffer, bytes.byteOffset, bytes.byteLength);
  let end = bytes.length - 22;
  while (end >= 0 && view.getUint32(end, true) !== 0x06054b50) end--;
  const checksums = new Map<string, number>();
  let at = view.getUint32(end + 16, true);
  while (at + 46 <= end && view.getUint32(at, true) === 0x02014b50) {
    const [name, extra, comment] = [view.getUint16(at + 28, true), view.getUint16(at + 30, true), view.getUint16(at + 32, true)];
    checksums.set(new TextDecoder().decode(bytes.subarray(at + 46, at + 46 + name)), view.getUint32(at + 16, true));
    at += 46 + name + extra + comment;
  }
  return checksums;
}
