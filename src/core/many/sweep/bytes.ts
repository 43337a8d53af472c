import { applied, fits, inverseOf, patchOf } from './apply.ts';
import type { SweepSettings } from './change.ts';
import { containerOf } from './containers/list.ts';
import { decodeFile, survives } from './encoding.ts';
import type { Change, SweptFile } from './found.ts';
import { sweepFile } from './sweepFile.ts';

/** A file of which changes could be written. */
export interface Written {
  bytes: Uint8Array<ArrayBuffer>;
  /** What differs, and the way back; null where the lines can't be part of a patch in UTF-8. */
  patch: string | null;
  reverse: string | null;
}

/**
 * What a file holds, by its bytes; null where it is none that a sweep looks into. Where it could not be written back
 * without loss nothing of it is changed, and that is told.
 */
export function sweepBytes(name: string, bytes: Uint8Array, settings: SweepSettings): SweptFile | null {
  if (!containerOf(name)) return null;
  const decoded = decodeFile(bytes);
  const found = sweepFile(name, decoded.text, settings);
  const changes = found?.embeds.flatMap(({ change }) => change ?? []) ?? [];
  if (!found || changes.length === 0) return found;
  if (survives(bytes, decoded) && decoded.encode(applied(decoded.text, changes)) !== null) return found;
  const left = { file: name, line: 1, why: { code: 'encoding', encoding: decoded.encoding } as const };
  return { ...found, embeds: found.embeds.map((embed) => ({ ...embed, change: null })), left: [...found.left, left] };
}

/** The file with these changes of it; null where they are not of this file, or it cannot hold them. */
export function writeChanges(name: string, bytes: Uint8Array, changes: readonly Change[]): Written | null {
  const { text, encode, encoding } = decodeFile(bytes);
  if (!fits(text, changes)) return null;
  const after = applied(text, changes);
  const written = encode(after);
  const inUtf8 = (patch: string): string | null => (isPatchable(patch, encoding) ? patch : null);
  return (
    written && {
      bytes: written,
      patch: inUtf8(patchOf(name, text, changes)),
      reverse: inUtf8(patchOf(name, after, inverseOf(changes))),
    }
  );
}

/** A patch is bytes: it fits a file of another encoding only where both write its lines alike. */
const isPatchable = (patch: string, encoding: string): boolean =>
  encoding === 'utf-8' || (!encoding.startsWith('utf-16') && !/[^\u0000-\u007f]/.test(patch));
