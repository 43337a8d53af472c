import { z } from 'zod';
import type { Entry, Order } from './order.ts';

/** What the page of a running order tells the page around it: which entry it is at, from 0, and its second. */
export const orderReport = z.object({
  runningOrder: z.enum(['time', 'over', 'refused', 'end']),
  entry: z.number().int().min(0).max(10_000),
  time: z.number().min(0).max(360_000).optional().catch(undefined),
});
export type OrderReport = z.infer<typeof orderReport>;

/** Seconds that are played at each edge of an entry: as many as show where it begins, and that it ends. */
const EDGE = 3;
/** Seconds by which a player may miss its place: it tells its time a few times a second, and lands where a picture is whole. */
const NEAR = 1.5;

/** One edge of an entry that is played: where it begins, where it ends, or both of a short one. */
export interface Probe {
  /** The entry that it is of, by its place from 0. */
  of: number;
  edge: 'start' | 'end' | 'both';
  entry: Entry;
}

/**
 * Short entries in the place of a long one, which show what it would: the first seconds of it, and the last. Of one whose
 * length nobody knows, the first alone.
 */
export function probesOf({ entries }: Order): Probe[] {
  return entries.flatMap((entry, of): Probe[] => {
    const { from = 0, until, seconds } = entry;
    const end = until ?? seconds;
    const bare = { ...entry, chapters: [], transcript: [] };
    if (end !== undefined && end - from <= 2 * EDGE) return [{ of, edge: 'both', entry: bare }];
    const start: Probe = { of, edge: 'start', entry: { ...bare, until: from + EDGE } };
    return end === undefined ? [start] : [start, { of, edge: 'end', entry: { ...bare, from: Math.max(from, end - EDGE) } }];
  });
}

/** A running order that plays one probe and goes on to what comes next, without sound, since nobody presses. */
export function probeOrder(order: Order, probes: readonly Probe[], at: number): Order {
  const next = probes[(at + 1) % probes.length]!.entry;
  return {
    ...order,
    entries: [probes[at]!.entry, { ...next, id: `${next.id.slice(0, 390)} next` }],
    first: 0,
    autoplay: true,
    continuous: true,
    loop: 'none',
  };
}

/** Whether a probe has shown all that it can: what comes after it has begun, or it was refused. */
export const isShown = (reports: readonly OrderReport[]): boolean =>
  reports.some(({ runningOrder, entry }) => entry > 0 || runningOrder === 'refused' || runningOrder === 'end');

/** What was seen of one edge, as data; the sentences are in the message file. */
export type ProbeVerdict =
  | { code: 'right'; from: number; until: number }
  /** It never told its time, so that nothing can be said. */
  | { code: 'untold' }
  | { code: 'refused' }
  /** It began elsewhere: at `seen`, in seconds, in the place of `wanted`. */
  | { code: 'beganElsewhere'; wanted: number; seen: number }
  /** It played beyond its end, or ended before. */
  | { code: 'endedElsewhere'; wanted: number; seen: number }
  /** It did not go on by itself. */
  | { code: 'stayed'; seen: number };

/** What a probe showed, from everything that was reported while it ran. */
export function judgeProbe({ entry: { from = 0, until, seconds } }: Probe, reports: readonly OrderReport[]): ProbeVerdict {
  if (reports.some(({ runningOrder, entry }) => entry === 0 && runningOrder === 'refused')) return { code: 'refused' };
  const times = reports.flatMap(({ entry, time }) => (entry === 0 && time !== undefined ? [time] : []));
  const wentOn = reports.some(({ entry, runningOrder }) => entry > 0 || runningOrder === 'over' || runningOrder === 'end');
  if (times.length === 0) return { code: 'untold' };
  // A player that is still on its way to its place may say where it was before.
  const began = times.slice(0, 3).reduce((best, time) => (Math.abs(time - from) < Math.abs(best - from) ? time : best));
  if (Math.abs(began - from) > NEAR) return { code: 'beganElsewhere', wanted: from, seen: began };
  const last = Math.max(...times);
  if (!wentOn) return { code: 'stayed', seen: last };
  const end = until ?? seconds;
  if (end !== undefined && Math.abs(last - end) > NEAR) return { code: 'endedElsewhere', wanted: end, seen: last };
  return { code: 'right', from: began, until: last };
}
