import type { Report } from './driver.ts';

/** What a player is asked to do; measured against what it reports, never against its address. */
export interface Expected {
  /** Seconds at which it begins. */
  from: number;
  muted: boolean;
}

/** How far the first reported second may be from the one asked for: key frames and the time to the first report. */
const SLACK = 1.5;

/** Why a report of a player that began does not fit what was asked, or null when it does. */
export function misfit(began: Report, { from, muted }: Expected): string | null {
  const at = Number(began.at);
  if (began.hushed !== muted) return `muted is ${String(began.hushed)}, asked for ${muted}`;
  return Math.abs(at - from) <= SLACK ? null : `began at ${at}, asked for ${from}`;
}
