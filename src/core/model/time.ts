/**
 * Points in time within an item, in seconds.
 * Read: `90`, `90s`, `1m30s`, `1:30`, `01:01:30`, ISO 8601 durations (`PT1M30S`) and the start of a
 * Media Fragments range (`10,20`; W3C Media Fragments URI 1.0, section 4.2.1).
 */
const UNITS = /^(?:(\d+)h)?(?:(\d+)m)?(?:(\d+(?:\.\d+)?)s)?$/;
const ISO = /^pt(?:(\d+)h)?(?:(\d+)m)?(?:(\d+(?:\.\d+)?)s)?$/;
const CLOCK = /^(?:(\d+):)?([0-5]?\d):([0-5]\d(?:\.\d+)?)$/;
const NUMBER = /^\d+(?:\.\d+)?$/;
const LONGEST = 360_000; // a hundred hours; anything beyond is not a time within an item

/** Seconds for a written time, or undefined when it is none. */
export function parseTime(text: string): number | undefined {
  const t = text.trim().toLowerCase().replace(/^npt:/, '').split(',', 1)[0]!;
  if (t.length > 24) return undefined;
  const seconds = NUMBER.test(t) ? Number(t) : partsToSeconds(CLOCK.exec(t) ?? unitParts(t));
  return seconds !== undefined && seconds <= LONGEST ? Math.round(seconds * 1000) / 1000 : undefined;
}

function unitParts(t: string): RegExpExecArray | null {
  return t === '' || t === 'pt' ? null : (UNITS.exec(t) ?? ISO.exec(t));
}

function partsToSeconds(parts: RegExpExecArray | null): number | undefined {
  if (!parts) return undefined;
  return Number(parts[1] ?? 0) * 3600 + Number(parts[2] ?? 0) * 60 + Number(parts[3] ?? 0);
}

/** `1:12`, `1:02:03`, `0:09.5`: the one form in which times are shown. */
export function showTime(seconds: number): string {
  const { h, m, s } = split(seconds);
  const tail = s < 10 ? `0${s}` : `${s}`;
  return h > 0 ? `${h}:${String(m).padStart(2, '0')}:${tail}` : `${m}:${tail}`;
}

/** `1h2m3s`, leaving out what is zero. */
export function unitTime(seconds: number): string {
  const { h, m, s } = split(seconds);
  return `${h ? `${h}h` : ''}${m ? `${m}m` : ''}${s || (!h && !m) ? `${s}s` : ''}`;
}

/** ISO 8601 duration, section 5.5.2.2: `PT1M30S`. */
export function isoTime(seconds: number): string {
  return `PT${unitTime(seconds).toUpperCase()}`;
}

function split(seconds: number): { h: number; m: number; s: number } {
  const whole = Math.floor(seconds);
  const s = Math.round(((whole % 60) + (seconds - whole)) * 1000) / 1000;
  return { h: Math.floor(whole / 3600), m: Math.floor(whole / 60) % 60, s };
}
