import { own } from '../../model/own.ts';
import { isoTime, parseTime, showTime, unitTime } from '../../model/time.ts';
import { parseColour, type SettingValue } from '../../model/values.ts';
import { colourNamed, nameOfColour } from '../../model/colourNames.ts';
import type { Spelling } from './spelling.ts';

interface Form {
  /** Undefined where the host has no word for the value. */
  write: (value: SettingValue) => string | undefined;
  /** The value, or undefined when the text does not spell one. */
  read: (text: string) => SettingValue | undefined;
}

const DIGITS = /^\d{1,9}$/;
const whole = (text: string): number | undefined => (DIGITS.test(text) ? Number(text) : undefined);
const shifted = (by: number): Form => ({
  write: (v) => String(Number(v) + by),
  read: (text) => (whole(text) === undefined ? undefined : Number(text) - by),
});

/** Hours, minutes and seconds of a time, seconds with what is behind the point. */
function partsOf(value: SettingValue): [hours: number, minutes: number, seconds: string] {
  const seconds = Number(value);
  const rest = Math.round((seconds % 60) * 1000) / 1000;
  return [Math.floor(seconds / 3600), Math.floor(seconds / 60), rest < 10 ? `0${rest}` : String(rest)];
}
const two = (number: number): string => String(number).padStart(2, '0');

/** Red, green and blue of `#rrggbb`, 0 to 255 each. */
const channels = (value: SettingValue): number[] => [1, 3, 5].map((at) => parseInt(String(value).slice(at, at + 2), 16));
const CHANNELS = /^(?:rgb\()?\s*(\d{1,3})\s*,\s*(\d{1,3})\s*,\s*(\d{1,3})\s*\)?$/i;
function fromChannels(text: string): string | undefined {
  const found = CHANNELS.exec(text)?.slice(1).map(Number);
  return found?.every((channel) => channel < 256)
    ? `#${found.map((channel) => channel.toString(16).padStart(2, '0')).join('')}`
    : undefined;
}

/** How hosts spell values, one entry a form. */
const FORMS: Record<Exclude<Spelling['form'], 'words' | 'list' | 'scaled'>, Form> = {
  seconds: { write: String, read: parseTime },
  milliseconds: {
    write: (v) => String(Math.round(Number(v) * 1000)),
    read: (text) => (whole(text) === undefined ? undefined : Number(text) / 1000),
  },
  units: { write: (v) => unitTime(Number(v)), read: parseTime },
  allUnits: {
    write(v) {
      const [hours, minutes, seconds] = partsOf(v);
      return `${hours}h${minutes % 60}m${Number(seconds)}s`;
    },
    read: parseTime,
  },
  clock: { write: (v) => showTime(Number(v)), read: parseTime },
  longClock: {
    write(v) {
      const [hours, minutes, seconds] = partsOf(v);
      return `${two(hours)}:${two(minutes % 60)}:${seconds}`;
    },
    read: parseTime,
  },
  minuteClock: {
    write(v) {
      const [, minutes, seconds] = partsOf(v);
      return `${two(minutes)}:${seconds}`;
    },
    read(text) {
      const [, minutes, seconds] = /^(\d{1,4}):([0-5]\d(?:\.\d{1,3})?)$/.exec(text) ?? [];
      return minutes === undefined ? parseTime(text) : Number(minutes) * 60 + Number(seconds);
    },
  },
  iso8601: { write: (v) => isoTime(Number(v)), read: parseTime },
  hex: { write: (v) => String(v).replace('#', ''), read: parseColour },
  hashHex: { write: String, read: parseColour },
  upperHex: { write: (v) => String(v).replace('#', '').toUpperCase(), read: parseColour },
  hashUpperHex: { write: (v) => String(v).toUpperCase(), read: parseColour },
  colourName: { write: (v) => nameOfColour(String(v)), read: colourNamed },
  rgb: { write: (v) => `rgb(${channels(v).join(',')})`, read: fromChannels },
  rgbNumbers: { write: (v) => channels(v).join(','), read: fromChannels },
  text: { write: String, read: (text) => text },
  underscored: { write: (v) => String(v).replaceAll('-', '_'), read: (text) => text.replaceAll('_', '-') },
  upperCase: { write: (v) => String(v).toUpperCase(), read: (text) => text.toLowerCase() },
  numberFromOne: shifted(0),
  numberFromZero: shifted(-1),
};

/** A value times a factor: whole where the factor makes it larger, else to four places. */
const scaled = (by: number): Form => ({
  write: (v) => String(by >= 1 ? Math.round(Number(v) * by) : Math.round(Number(v) * by * 1e4) / 1e4),
  read: (text) => (/^\d{1,9}(?:\.\d{1,6})?$/.test(text) ? Math.round((Number(text) / by) * 1000) / 1000 : undefined),
});

const formOf = (spelling: Exclude<Spelling, { form: 'words' | 'list' }>): Form =>
  spelling.form === 'scaled' ? scaled(spelling.by) : FORMS[spelling.form];

const firstOf = (words: string | readonly string[] | undefined): string | undefined =>
  typeof words === 'string' || words === undefined ? words : words[0];

/** The value as the host spells it, or undefined where it has no word for it. */
export function spell(spelling: Spelling, value: SettingValue): string | undefined {
  if (spelling.form === 'words') return firstOf(own(spelling.words, String(value)));
  if (spelling.form === 'list') return spellList(spelling, value).join(spelling.separator ?? ',');
  const text = formOf(spelling).write(value);
  return text === undefined ? undefined : (spelling.before ?? '') + text + (spelling.after ?? '');
}

/** The entries of a list, each as the host spells it. */
export const spellList = ({ words }: Extract<Spelling, { form: 'list' }>, value: SettingValue): string[] =>
  String(value)
    .split(',')
    .map((entry) => (words && own(words, entry)) ?? entry);

/** The value that a host's text spells, or undefined. */
export function unspell(spelling: Spelling, text: string): SettingValue | undefined {
  if (spelling.form === 'list') return unspellList(spelling, text.split(spelling.separator ?? '\u0000'));
  if (spelling.form !== 'words') {
    const { before = '', after = '' } = spelling;
    if (!text.startsWith(before) || !text.endsWith(after) || text.length < before.length + after.length) return undefined;
    return formOf(spelling).read(text.slice(before.length, text.length - after.length));
  }
  for (const value in spelling.words) {
    const words = spelling.words[value]!;
    if (words === text || (typeof words !== 'string' && words.includes(text))) return value;
  }
  return undefined;
}

function unspellList({ words }: Extract<Spelling, { form: 'list' }>, entries: readonly string[]): string {
  const ours = new Map(Object.entries(words ?? {}).map(([value, word]) => [word, value]));
  return entries.map((entry) => ours.get(entry) ?? entry).join(',');
}
