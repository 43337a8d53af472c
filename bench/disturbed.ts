import { readFileSync } from 'node:fs';

/** Ticks of all processors, and those that the host of a virtual machine kept for others (proc(5), `/proc/stat`). */
function ticks(): { all: number; stolen: number } | null {
  try {
    const [, ...counts] = /^cpu .*/m.exec(readFileSync('/proc/stat', 'utf8'))![0].split(/\s+/).map(Number);
    return { all: counts.slice(0, 8).reduce((sum, n) => sum + n, 0), stolen: counts[7]! };
  } catch {
    return null;
  }
}

const begun = ticks();

/** Says how much of the machine was taken away while figures were measured: they are only as good as that is small. */
export function sayDisturbed(): void {
  const ended = ticks();
  if (!begun || !ended) return;
  const share = (ended.stolen - begun.stolen) / (ended.all - begun.all);
  console.log(`(meanwhile others had ${(share * 100).toFixed(0)} % of this machine)`);
}
