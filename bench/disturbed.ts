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

/** Begins to watch; the answer gives the share of the machine that others had since then, from 0 to 1, or null where it cannot be told. */
export function watchDisturbance(): () => number | null {
  const begun = ticks();
  return () => {
    const now = ticks();
    return begun && now && now.all > begun.all ? (now.stolen - begun.stolen) / (now.all - begun.all) : null;
  };
}

const disturbance = watchDisturbance();

/** Says how much of the machine was taken away while figures were measured: they are only as good as that is small. */
export function sayDisturbed(): void {
  const share = disturbance();
  if (share !== null) console.log(`(meanwhile others had ${(share * 100).toFixed(0)} % of this machine)`);
}
