import type { PlayerMessages } from '../known/hosts/card.ts';
import { messageData } from '../known/hosts/playerReport.ts';

/** What came from a player, and what the person beside it had done by then. `at` is milliseconds since it was shown. */
export type Heard = { at: number } & ({ message: unknown } | { did: Did });
/** Each told once it was so: it plays, rests, is muted, turned to another page, or is over. */
export type Did = 'plays' | 'rests' | 'mutes' | 'turns' | 'over';

/** What is known of the item otherwise, to find it among the fields. */
interface Known {
  /** Seconds. */
  duration?: number | undefined;
  title?: string | undefined;
}

/** What was made of the messages of a player. */
export interface Listened {
  /** Null where nothing could be made of what was heard. */
  player: PlayerMessages | null;
  /** Messages that were looked at. */
  heard: number;
  /** Messages that were too large, or too many, to be looked at. */
  passed: number;
}

/** More than half a minute of any player in earnest, and longer than any report. */
const MOST = 3000;
const LONGEST = 20_000;

type Scalar = string | number | boolean;
interface Message {
  at: number;
  values: ReadonlyMap<string, Scalar>;
}

/** Works out how a player reports, from what it said while somebody played it. Pure. */
export function listen(log: readonly Heard[], known: Known = {}): Listened {
  const all = log.filter((one) => 'message' in one);
  const small = all.filter(({ message }) => isSmall(message)).slice(0, MOST);
  const told = new Map(log.flatMap((one) => ('did' in one ? [[one.did, one.at] as const] : [])));
  const ways = (['object', 'json', 'text'] as const).map((encoding) => ({
    encoding,
    messages: small.flatMap(({ at, message }): Message[] => {
      const data = messageData(encoding, message);
      const values = typeof data === 'object' && data !== null ? flat(data) : new Map<string, Scalar>();
      return values.size > 0 ? [{ at, values }] : [];
    }),
  }));
  const [best] = ways
    .map(({ encoding, messages }) => ({ encoding, ...understand(messages, told, known) }))
    .sort((a, b) => b.score - a.score);
  const { encoding, event, events, fields } = best!;
  return {
    player: Object.keys(events).length > 0 ? { encoding, event, events, fields, ask: {} } : null,
    heard: small.length,
    passed: all.length - small.length,
  };
}

function isSmall(message: unknown): boolean {
  if (typeof message === 'string') return message.length <= LONGEST;
  try {
    return (JSON.stringify(message) ?? '').length <= LONGEST;
  } catch {
    return false;
  }
}

const DEPTH = 4;
const WIDTH = 80;

/** Every plain value by its path, such as `data.at`. */
function flat(data: object, path = '', values = new Map<string, Scalar>(), depth = 1): Map<string, Scalar> {
  for (const [key, value] of Object.entries(data) as [string, unknown][]) {
    if (values.size >= WIDTH) break;
    if (key.includes('.')) continue;
    const at = path === '' ? key : `${path}.${key}`;
    if (typeof value === 'string' || typeof value === 'boolean' || Number.isFinite(value)) values.set(at, value as Scalar);
    else if (typeof value === 'object' && value !== null && depth < DEPTH) flat(value, at, values, depth + 1);
  }
  return values;
}

type Events = PlayerMessages['events'];
type Fields = PlayerMessages['fields'];

function understand(
  messages: readonly Message[],
  told: ReadonlyMap<Did, number>,
  known: Known,
): { score: number; event: string; events: Events; fields: Fields } {
  const paths = [...new Set(messages.flatMap(({ values }) => [...values.keys()]))];
  const time = timeIn(messages, paths);
  const page = time ? undefined : paths.find((path) => isPage(numbersAt(messages, path)));
  const fields: Fields = {
    ...(time && { time: { at: time.path, unit: time.unit }, ...durationIn(messages, paths, { time, told, known }) }),
    ...(page !== undefined && { page: { at: page } }),
    ...mutedIn(messages, paths, told),
    ...titleIn(messages, paths, known),
  };
  const taken = new Set(Object.values(fields).map((field) => field.at));
  const named = paths
    .filter((path) => !taken.has(path) && isName(messages, path))
    .map((path) => ({ path, events: eventsIn(messages, path, { time, page, told }) }))
    .map(({ path, events }) => ({
      path,
      events,
      score: scoreOf(events) + presence(messages, path) + (NAMES.test(path) ? 0.2 : 0),
    }))
    .sort((a, b) => b.score - a.score || a.path.length - b.path.length);
  const [best] = named;
  if (!best || scoreOf(best.events) === 0) return { score: 0, event: '', events: {}, fields };
  return { score: best.score + Object.keys(fields).length, event: best.path, events: best.events, fields };
}

const NAMES = /(?:^|\.)(?:event|type|name|kind|action|state|status|what)$/i;
const scoreOf = (events: Events): number => new Set(Object.values(events)).size;
const presence = (messages: readonly Message[], path: string): number =>
  messages.filter(({ values }) => values.has(path)).length / messages.length;

interface Point {
  at: number;
  value: number;
}
const numbersAt = (messages: readonly Message[], path: string): Point[] =>
  messages.flatMap(({ at, values }) => {
    const value = values.get(path);
    return typeof value === 'number' ? [{ at, value }] : [];
  });

interface Time {
  path: string;
  unit: 's' | 'ms';
  /** The greatest that was told. */
  most: number;
}
/** Seconds: a hundred hours, longer than anything that is played. */
const LONGEST_PLAYED = 360_000;

/** What grows as the clock does, at a second a second, and jumps where somebody jumped: a clock of the host's own never does. */
function timeIn(messages: readonly Message[], paths: readonly string[]): Time | undefined {
  const found = paths.flatMap((path) => {
    const points = numbersAt(messages, path);
    const most = Math.max(...points.map(({ value }) => value));
    return (['s', 'ms'] as const).flatMap((unit) => {
      const { grown, jumped } = growth(points, unit);
      if (grown < 3 || most / perSecond(unit) > LONGEST_PLAYED) return [];
      return [{ path, unit, most, score: grown + (jumped ? points.length : 0) }];
    });
  });
  return found.sort((a, b) => b.score - a.score)[0];
}

const perSecond = (unit: 's' | 'ms'): number => (unit === 's' ? 1 : 1000);

/** Whether a value has grown by as much as time went by; the timers of browsers are never exact. */
function grows(before: Point | undefined, after: Point, unit: 's' | 'ms'): boolean {
  if (!before) return false;
  const [went, more] = [(after.at - before.at) / 1000, (after.value - before.value) / perSecond(unit)];
  return went > 0.05 && went < 5 && more > 0.01 && Math.abs(more - went) <= Math.max(0.3 * went, 0.12);
}

function growth(points: readonly Point[], unit: 's' | 'ms'): { grown: number; jumped: boolean } {
  const grown = points.filter((point, i) => grows(points[i - 1], point, unit)).length;
  const jumped = points.some(({ at, value }, i) => {
    const before = points[i - 1];
    return before !== undefined && Math.abs((value - before.value) / perSecond(unit) - (at - before.at) / 1000) > 2;
  });
  return { grown, jumped };
}

/** The field that does not change and is nowhere passed: the one that is known, that the end came at, or the largest. */
function durationIn(
  messages: readonly Message[],
  paths: readonly string[],
  { time, told, known }: { time: Time; told: ReadonlyMap<Did, number>; known: Known },
): Fields {
  const unit = perSecond(time.unit);
  const constant = paths.flatMap((path) => {
    const values = [...new Set(numbersAt(messages, path).map(({ value }) => value))].filter((value) => value > 0);
    const [value] = values;
    if (path === time.path || values.length !== 1 || value! < time.most - unit || value! / unit > LONGEST_PLAYED) return [];
    return [{ path, seconds: value! / unit }];
  });
  const end = known.duration ?? (told.has('over') ? time.most / unit : undefined);
  const [found] =
    end === undefined
      ? constant.sort((a, b) => b.seconds - a.seconds)
      : constant
          .filter(({ seconds }) => Math.abs(seconds - end) < NEAR)
          .sort((a, b) => Math.abs(a.seconds - end) - Math.abs(b.seconds - end));
  return found ? { duration: { at: found.path, unit: time.unit } } : {};
}

/** Seconds by which a duration may differ from where it ended. */
const NEAR = 2;

/** Whole numbers from 1 on that change by one, as the pages do that somebody turns. */
function isPage(points: readonly Point[]): boolean {
  const values = points.map(({ value }) => value).filter((value, i, all) => value !== all[i - 1]);
  return (
    values.length > 2 &&
    values.every((value, i) => Number.isInteger(value) && value > 0 && (i === 0 || Math.abs(value - values[i - 1]!) === 1))
  );
}

/** What became true, or 1, when somebody muted it. */
function mutedIn(messages: readonly Message[], paths: readonly string[], told: ReadonlyMap<Did, number>): Fields {
  const muted = told.get('mutes');
  if (muted === undefined) return {};
  const earlier = Math.max(0, ...[...told.values()].filter((at) => at < muted));
  const found = paths.find((path) => {
    const states = messages.flatMap(({ at, values }) => {
      const value = values.get(path);
      return value === undefined ? [] : [{ at, value }];
    });
    if (!states.every(({ value }) => typeof value === 'boolean' || value === 0 || value === 1)) return false;
    const before = states.findLast(({ at }) => at <= earlier)?.value;
    const after = states.findLast(({ at }) => at <= muted)?.value;
    return before !== undefined && after !== undefined && !before && Boolean(after);
  });
  return found === undefined ? {} : { muted: { at: found } };
}

function titleIn(messages: readonly Message[], paths: readonly string[], { title }: Known): Fields {
  const found = title === undefined ? undefined : paths.find((path) => messages.some(({ values }) => values.get(path) === title));
  return found === undefined ? {} : { title: { at: found } };
}

const MOST_EVENTS = 24;

/** Few words, or whole numbers, that come back. */
function isName(messages: readonly Message[], path: string): boolean {
  const values = messages.flatMap(({ values: all }) => all.get(path) ?? []);
  const kinds = new Set(values);
  return (
    values.length > 2 &&
    kinds.size > 1 &&
    kinds.size <= Math.min(MOST_EVENTS, values.length / 2) &&
    values.every(
      (value) =>
        (typeof value === 'string' && value !== '' && value !== '__proto__' && value.length <= 40) || Number.isInteger(value),
    )
  );
}

interface Course {
  time: Time | undefined;
  page: string | undefined;
  told: ReadonlyMap<Did, number>;
}

/** What each of the names stands for, by when it came. */
function eventsIn(messages: readonly Message[], path: string, { time, page, told }: Course): Events {
  const named = messages.flatMap(({ at, values }) => (values.has(path) ? [{ at, name: String(values.get(path)), values }] : []));
  if (page !== undefined) {
    const turned = named.filter(
      ({ values }, i) => i > 0 && values.has(page) && values.get(page) !== named[i - 1]!.values.get(page),
    );
    return { ...readyIn(named, turned[0]?.name), ...(turned[0] && { [turned[0].name]: 'page' as const }) };
  }
  if (!time) return {};
  const points = named.flatMap(({ at, name, values }) => {
    const value = values.get(time.path);
    return typeof value === 'number' ? [{ at, name, value }] : [];
  });
  const growing = points.filter((point, i) => grows(points[i - 1], point, time.unit));
  const tick = mostFrequent(growing.map(({ name }) => name));
  if (tick === undefined) return {};
  const began = points[points.indexOf(growing[0]!) - 1]!.at;
  const others = named.filter(({ name }) => name !== tick);
  const ready = others[0] && others[0].at < began - SOON ? others[0].name : undefined;
  const playing = others.findLast(({ at, name }) => at <= began + JUST && at > began - SOON && name !== ready)?.name;
  const events: Events = {
    [tick]: playing === undefined ? 'playing' : 'time',
    ...(playing !== undefined && { [playing]: 'playing' }),
  };
  const free = (name: string): boolean => !Object.hasOwn(events, name);
  const rested = told.get('rests');
  if (rested !== undefined) {
    const last = growing.findLast(({ at }) => at <= rested)?.at ?? began;
    const paused = others.find(({ at, name }) => at >= last - JUST && at <= rested && free(name) && name !== ready)?.name;
    if (paused !== undefined) events[paused] = 'paused';
  }
  const over = told.get('over');
  if (over !== undefined) {
    const since = Math.max(0, ...[...told.values()].filter((at) => at < over));
    const known = new Set(others.filter(({ at }) => at <= since).map(({ name }) => name));
    const ended = others.findLast(({ at, name }) => at > since && at <= over && free(name) && !known.has(name))?.name;
    if (ended !== undefined) events[ended] = 'ended';
  }
  return { ...(ready !== undefined && free(ready) ? { [ready]: 'ready' as const } : {}), ...events };
}

/** Milliseconds: what comes right before it plays says so; what comes earlier says that it is there. */
const SOON = 1200;
const JUST = 60;

const readyIn = (named: readonly { name: string }[], other: string | undefined): Events =>
  named[0] && named[0].name !== other ? { [named[0].name]: 'ready' } : {};

function mostFrequent(names: readonly string[]): string | undefined {
  const counts = new Map<string, number>();
  for (const name of names) counts.set(name, (counts.get(name) ?? 0) + 1);
  return [...counts].sort(([, a], [, b]) => b - a)[0]?.[0];
}
