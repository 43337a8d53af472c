import { formatPatch, OMIT_HEADERS, structuredPatch } from 'diff';
import type { Change } from './found.ts';

/** The text of a file with changes laid in; every other unit of it stays. The ranges do not overlap. */
export function applied(text: string, changes: readonly Change[]): string {
  let written = '';
  let at = 0;
  for (const { range, after } of [...changes].sort((a, b) => a.range[0] - b.range[0])) {
    written += text.slice(at, range[0]) + after;
    at = range[1];
  }
  return written + text.slice(at);
}

/** The way back: changes of the written text that give the one before it. */
export function inverseOf(changes: readonly Change[]): Change[] {
  let shift = 0;
  return [...changes]
    .sort((a, b) => a.range[0] - b.range[0])
    .map(({ range: [from, to], before, after, ...change }) => {
      const range = [from + shift, from + shift + after.length] as const;
      shift += after.length - (to - from);
      return { ...change, range, before: after, after: before };
    });
}

/** Whether the text is one that these changes can be made in: what goes stands where it should. */
export const fits = (text: string, changes: readonly Change[]): boolean =>
  changes.every(({ range, before }) => text.slice(...range) === before);

/** A unified diff of one file, as `git apply` and `patch -p1` take it; empty where nothing differs. */
export function patchOf(file: string, before: string, after: string): string {
  if (before === after) return '';
  const hunks = formatPatch(structuredPatch('', '', before, after, undefined, undefined, { context: 3 }), OMIT_HEADERS);
  return `--- ${nameIn(`a/${file}`)}\n+++ ${nameIn(`b/${file}`)}\n${hunks}`;
}

/** A name with a space ends at a tab; one with quotes or control characters is a string of C, as git writes it. */
function nameIn(path: string): string {
  if (/["\\\p{Cc}]/u.test(path)) return JSON.stringify(path).replace(/\\u00([\da-f]{2})/g, (_, hex: string) => octal(hex));
  return path.includes(' ') ? `${path}\t` : path;
}

const octal = (hex: string): string => `\\${parseInt(hex, 16).toString(8).padStart(3, '0')}`;
