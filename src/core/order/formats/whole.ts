import { parseUrl } from '../../model/url.ts';

/** An address of the web, made whole by that of the file it stands in (URL Standard, section 4.4); undefined where it is none. */
export function whole(address: unknown, base: string | undefined): string | undefined {
  if (typeof address !== 'string' || address.trim() === '') return undefined;
  const found = parseUrl(address.trim()) ?? (base === undefined ? null : parseAt(address.trim(), base));
  return found && /^https?:$/.test(found.protocol) ? found.href : undefined;
}

function parseAt(address: string, base: string): URL | null {
  try {
    return new URL(address, base);
  } catch {
    return null;
  }
}

/** `2027-01-11` of a date as feeds write it (RFC 822, RFC 3339); empty where it is none. */
export function dayOf(date: unknown): string {
  const time = typeof date === 'string' ? Date.parse(date) : NaN;
  return Number.isNaN(time) || time < 0 || time > 4e12 ? '' : new Date(time).toISOString().slice(0, 10);
}

/** A length in seconds that may be one. */
export const lengthOf = (seconds: unknown): number | undefined =>
  typeof seconds === 'number' && seconds > 0 && seconds < 360_000 ? seconds : undefined;
