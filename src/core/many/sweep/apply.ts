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

/**
 * A unified diff of one file, as `git apply` and `patch -p1` take it; empty where nothing differs. The changes say where
 * to look, so that it takes linear time however much changes.
 */
export function patchOf(file: string, before: string, changes: readonly Change[]): string {
  const old = linesOf(before);
  const hunks: string[] = [];
  let shift = 0;
  for (const { from, to, lines } of changedLines(before, old, changes)) {
    const [first, last] = [Math.max(0, from - CONTEXT), Math.min(old.length, to + CONTEXT)];
    const [lead, tail] = [old.slice(first, from), old.slice(to, last)];
    const [was, now] = [last - first, last - first + lines.length - (to - from)];
    const at = (start: number, count: number): string => (count === 0 ? `${start},0` : `${start + 1},${count}`);
    hunks.push(
      `@@ -${at(first, was)} +${at(first + shift, now)} @@\n`,
      ...lead.map((line) => marked(' ', line)),
      ...old.slice(from, to).map((line) => marked('-', line)),
      ...lines.map((line) => marked('+', line)),
      ...tail.map((line) => marked(' ', line)),
    );
    shift += lines.length - (to - from);
  }
  return hunks.length === 0 ? '' : `--- ${nameIn(`a/${file}`)}\n+++ ${nameIn(`b/${file}`)}\n${hunks.join('')}`;
}

/** Lines around what changes, by which it is found. */
const CONTEXT = 3;

const marked = (sign: string, line: string): string =>
  sign + (line.endsWith('\n') ? line : `${line}\n\\ No newline at end of file\n`);

const linesOf = (text: string): string[] => text.match(/[^\n]*\n|[^\n]+$/g) ?? [];

/** Runs of old lines, by number from 0, and the lines that replace them. Runs that would share context are one. */
function changedLines(
  text: string,
  old: readonly string[],
  changes: readonly Change[],
): { from: number; to: number; lines: string[] }[] {
  const runs: { from: number; to: number; start: number; end: number; changes: Change[] }[] = [];
  let [line, start] = [0, 0];
  for (const change of [...changes].sort((a, b) => a.range[0] - b.range[0])) {
    while (line < old.length - 1 && start + old[line]!.length <= change.range[0]) start += old[line++]!.length;
    let [to, end] = [line, start];
    while (to < old.length && (end < change.range[1] || to === line)) end += old[to++]!.length;
    const last = runs.at(-1);
    if (!last || line > last.to + 2 * CONTEXT) runs.push({ from: line, to, start, end, changes: [change] });
    else {
      if (to > last.to) Object.assign(last, { to, end });
      last.changes.push(change);
    }
  }
  return runs.flatMap(({ from, to, start: begin, end, changes: own }) => {
    const moved = own.map((change) => ({ ...change, range: [change.range[0] - begin, change.range[1] - begin] as const }));
    const lines = linesOf(applied(text.slice(begin, end), moved));
    let [head, tail] = [0, 0];
    while (head < Math.min(to - from, lines.length) && old[from + head] === lines[head]) head++;
    while (tail < Math.min(to - from, lines.length) - head && old[to - 1 - tail] === lines.at(-1 - tail)) tail++;
    if (head + tail === to - from && head + tail === lines.length) return [];
    return [{ from: from + head, to: to - tail, lines: lines.slice(head, lines.length - tail) }];
  });
}

/** A name with a space ends at a tab; one with quotes or control characters is a string of C, as git writes it. */
function nameIn(path: string): string {
  if (/["\\\p{Cc}]/u.test(path)) return JSON.stringify(path).replace(/\\u00([\da-f]{2})/g, (_, hex: string) => octal(hex));
  return path.includes(' ') ? `${path}\t` : path;
}

const octal = (hex: string): string => `\\${parseInt(hex, 16).toString(8).padStart(3, '0')}`;
