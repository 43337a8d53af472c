import { z } from 'zod';
import type { PlayerMessages } from './card.ts';

/** What a player reported, in our words. Times in seconds. */
export interface PlayerReport {
  event: 'ready' | 'playing' | 'paused' | 'time' | 'ended' | 'page';
  time?: number;
  duration?: number;
  muted?: boolean;
  title?: string;
  page?: number;
  /** Height of the content in pixels. */
  height?: number;
  /** Number of the track, from 1. */
  track?: number;
  showsControls?: boolean;
  showsTitle?: boolean;
  /** Who made each of the works that it shows at the end. */
  offers?: string[];
}

const seconds = z.number().min(0).max(360_000).optional().catch(undefined);
const fields = z.object({
  time: seconds,
  duration: seconds,
  muted: z
    .union([z.boolean(), z.literal(0), z.literal(1)])
    .transform(Boolean)
    .optional()
    .catch(undefined),
  title: z.string().max(300).optional().catch(undefined),
  page: z.number().int().positive().optional().catch(undefined),
  height: z.number().positive().max(40_000).optional().catch(undefined),
  track: z.number().int().positive().optional().catch(undefined),
  showsControls: z.boolean().optional().catch(undefined),
  showsTitle: z.boolean().optional().catch(undefined),
  offers: z.array(z.string().max(300)).max(200).optional().catch(undefined),
});

/** Reads a player's message as its card declares; undefined for a message that is none of its own. */
export function readReport(
  { encoding, event, events, fields: places }: PlayerMessages,
  message: unknown,
): PlayerReport | undefined {
  const data = messageData(encoding, message);
  const told = at(data, event);
  const name = typeof told === 'number' ? String(told) : told;
  if (typeof name !== 'string' || !Object.hasOwn(events, name)) return undefined;
  const values = Object.fromEntries(
    Object.entries(places).map(([field, { at: path, each, unit }]) => {
      const value = at(data, path);
      if (each) return [field, Array.isArray(value) ? value.map((one) => at(one, each)) : undefined];
      return [field, unit === 'ms' && typeof value === 'number' ? value / 1000 : value];
    }),
  );
  return { event: events[name]!, ...fields.parse(values) };
}

/** What a message holds, by how it is encoded; undefined where it is not. */
export const messageData = (encoding: PlayerMessages['encoding'], message: unknown): unknown =>
  encoding === 'json' ? parse(message) : encoding === 'text' ? wordsOf(message) : message;

/** The message that asks the player for something, with the time laid in. */
export function requestFor({ ask }: PlayerMessages, what: keyof PlayerMessages['ask'], time = 0): unknown {
  const message = ask[what];
  if (message === undefined) return undefined;
  return JSON.parse(JSON.stringify(message), (_, value: unknown) => (value === '{time}' ? time : value)) as unknown;
}

/** The words of a line; numbers among them are numbers, and 1 and 0 may stand for a truth value. */
function wordsOf(message: unknown): unknown {
  if (typeof message !== 'string') return undefined;
  return message.split(' ', 40).map((word) => (/^-?\d+(?:\.\d+)?$/.test(word) ? Number(word) : word));
}

function parse(message: unknown): unknown {
  try {
    return typeof message === 'string' ? (JSON.parse(message) as unknown) : undefined;
  } catch {
    return undefined;
  }
}

function at(data: unknown, path: string): unknown {
  return path
    .split('.')
    .reduce<unknown>(
      (value, key) =>
        typeof value === 'object' && value !== null && Object.hasOwn(value, key)
          ? (value as Record<string, unknown>)[key]
          : undefined,
      data,
    );
}
