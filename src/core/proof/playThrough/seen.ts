import type { PlayerReport } from '../../known/hosts/playerReport.ts';
import type { Seen } from './proof.ts';

type Report = PlayerReport & { at: number };

/** What the player told, in order. */
export const reportsOf = (seen: readonly Seen[]): Report[] =>
  seen.flatMap((one) => (one.what === 'report' ? [{ ...one.report, at: one.at }] : []));

/** Everything before the run first did this, or all of it. */
export function before(seen: readonly Seen[], did: 'press' | 'seek'): readonly Seen[] {
  const first = seen.findIndex((one) => one.what === 'did' && one.did === did);
  return first < 0 ? seen : seen.slice(0, first);
}

/** What was told from the moment at which it played. */
export function whilePlaying(seen: readonly Seen[]): Report[] {
  const reports = reportsOf(seen);
  const from = reports.findIndex((report) => report.event === 'playing');
  return from < 0 ? [] : reports.slice(from);
}

/** Seconds by which the time must fall back to be a jump. */
const JUMP = 1.5;

/** Where it was over: what was told until then, and after it. Undefined while it was not. */
export function overIn(seen: readonly Seen[]): { at: number; ending: Report; after: readonly Report[] } | undefined {
  const reports = reportsOf(seen);
  let time: number | undefined;
  for (const [i, report] of reports.entries()) {
    const fellBack = time !== undefined && report.time !== undefined && report.time < time - JUMP;
    if (fellBack) return { at: time!, ending: reports[i - 1]!, after: reports.slice(i) };
    time = report.time ?? time;
    if (report.event === 'ended' && time !== undefined) return { at: time, ending: report, after: reports.slice(i + 1) };
  }
  return undefined;
}
