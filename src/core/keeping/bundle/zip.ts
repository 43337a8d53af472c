import { inflateSync } from 'fflate';
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
 * file is checked (APPNOTE 6.3.10, section 4.4.7); those whose checksum does not match are named. Each is unpacked by
 * itself, so that what is damaged holds up nothing else.
 */
export function unzip(bytes: Uint8Array, wanted: (name: string) => boolean): Zip {
  const listed = directoryOf(bytes);
  if (!listed) return { refusal: { code: 'noZip' } };
  const entries = listed.filter(({ name }) => wanted(name));
  const most = entries.filter(isSuspicious).reduce((least, { packed }) => Math.min(least, SUSPICIOUS.ratio * packed), MOST_BYTES);
  const claimed = listed.length > MOST_FILES ? Infinity : entries.reduce((sum, { size }) => sum + size, 0);
  if (claimed > most) return { refusal: { code: 'tooLarge', bytes: claimed, most } };
  const files = new Map<string, Uint8Array>();
  const damaged = new Set<string>();
  for (const entry of entries) {
    const content = contentOf(bytes, entry);
    if (content) files.set(entry.name, content);
    else damaged.add(entry.name);
  }
  return { files, damaged: [...damaged] };
}

/** A file as the directory of a zip file names it (APPNOTE 6.3.10, section 4.3.12); sizes in bytes. */
interface Entry {
  name: string;
  /** 0 for files that are not packed, 8 for those that are by DEFLATE. */
  method: number;
  /** CRC-32 of what is unpacked. */
  checksum: number;
  packed: number;
  size: number;
  /** Where it begins, with a header of its own. */
  at: number;
}

const isSuspicious = ({ size, packed }: Entry): boolean => size > SUSPICIOUS.bytes && size > SUSPICIOUS.ratio * packed;

const SIGNS = { file: 0x04034b50, entry: 0x02014b50, end: 0x06054b50, end64: 0x06064b50, locator64: 0x07064b50 } as const;
/** Of the parts of the format that do not vary, in bytes. */
const LENGTHS = { file: 30, entry: 46, end: 22, end64: 56, locator64: 20 } as const;
/** Stands where a size or a place has 64 bits, and elsewhere. */
const ELSEWHERE = 0xffffffff;

/** What a zip file names, in its own order; null where it is none. */
function directoryOf(bytes: Uint8Array): Entry[] | null {
  const view = new DataView(bytes.buffer, bytes.byteOffset, bytes.byteLength);
  let end = bytes.length - LENGTHS.end;
  while (end >= 0 && view.getUint32(end, true) !== SIGNS.end) end--;
  if (end < 0) return null;
  const entries: Entry[] = [];
  let at = beginOf(view, end);
  while (at + LENGTHS.entry <= end && view.getUint32(at, true) === SIGNS.entry) {
    const [name, extra, comment] = [view.getUint16(at + 28, true), view.getUint16(at + 30, true), view.getUint16(at + 32, true)];
    const behind = at + LENGTHS.entry + name;
    if (behind + extra > end) break;
    entries.push({
      name: nameIn(bytes.subarray(at + LENGTHS.entry, behind)),
      method: view.getUint16(at + 10, true),
      checksum: view.getUint32(at + 16, true),
      ...longPlaces(view, at, behind, behind + extra),
    });
    at = behind + extra + comment;
  }
  return entries;
}

/** Where the directory begins: as the end of the file says, or where that leads to (sections 4.3.14 to 4.3.16). */
function beginOf(view: DataView, end: number): number {
  const begin = view.getUint32(end + 16, true);
  const locator = end - LENGTHS.locator64;
  if (begin !== ELSEWHERE || locator < 0 || view.getUint32(locator, true) !== SIGNS.locator64) return begin;
  const at = Number(view.getBigUint64(locator + 8, true));
  return at + LENGTHS.end64 <= end && view.getUint32(at, true) === SIGNS.end64 ? Number(view.getBigUint64(at + 48, true)) : begin;
}

/** Names are UTF-8 today; old programs wrote one byte a sign (appendix D). */
function nameIn(bytes: Uint8Array): string {
  try {
    return new TextDecoder('utf-8', { fatal: true }).decode(bytes);
  } catch {
    return new TextDecoder('latin1').decode(bytes);
  }
}

/** Sizes and the place of an entry; what does not fit 32 bits stands in its extra field 1, in this order (section 4.5.3). */
function longPlaces(view: DataView, entry: number, from: number, to: number): Pick<Entry, 'packed' | 'size' | 'at'> {
  const said = {
    size: view.getUint32(entry + 24, true),
    packed: view.getUint32(entry + 20, true),
    at: view.getUint32(entry + 42, true),
  };
  if (!Object.values(said).includes(ELSEWHERE)) return said;
  for (let field = from; field + 4 <= to; field += 4 + view.getUint16(field + 2, true)) {
    if (view.getUint16(field, true) !== 1) continue;
    let at = field + 4;
    for (const place of ['size', 'packed', 'at'] as const) {
      if (said[place] !== ELSEWHERE || at + 8 > to) continue;
      said[place] = Number(view.getBigUint64(at, true));
      at += 8;
    }
    break;
  }
  return said;
}

/** A file unpacked; undefined where it is not what was packed, or packed in a way that is not known here. */
function contentOf(bytes: Uint8Array, { at, method, packed, size, checksum }: Entry): Uint8Array | undefined {
  const view = new DataView(bytes.buffer, bytes.byteOffset, bytes.byteLength);
  if (at + LENGTHS.file > bytes.length || view.getUint32(at, true) !== SIGNS.file) return undefined;
  const from = at + LENGTHS.file + view.getUint16(at + 26, true) + view.getUint16(at + 28, true);
  const held = bytes.subarray(from, from + packed);
  try {
    const content = method === 0 ? held.slice() : method === 8 ? inflateSync(held, { out: new Uint8Array(size) }) : undefined;
    return content?.length === size && crc.buf(content) >>> 0 === checksum ? content : undefined;
  } catch {
    return undefined;
  }
}
