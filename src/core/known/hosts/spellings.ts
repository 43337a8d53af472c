import { own } from '../../model/own.ts';
import { isoTime, parseTime, showTime, unitTime } from '../../model/time.ts';
import { parseColour, type SettingValue } from '../../model/values.ts';
import type { Spelling } from './card.ts';

interface Form {
  write: (value: SettingValue) => string;
  /** The value, or undefined when the text does not spell one. */
  read: (text: string) => SettingValue | undefined;
}

const DIGITS = /^\d{1,9}$/;
const whole = (text: string): number | undefined => (DIGITS.test(text) ? Number(text) : undefined);
const shifted = (by: number): Form => ({
  write: (v) => String(Number(v) + by),
  read: (text) => (whole(text) === undefined ? undefined : Number(text) - by),
});

/** How hosts spell values, one entry a form. */
const FORMS: Record<Exclude<Spelling['form'], 'words' | 'list'>, Form> = {
  seconds: { write: String, read: parseTime },
  milliseconds: {
    write: (v) => String(Math.round(Number(v) * 1000)),
    read: (text) => (whole(text) === undefined ? undefined : Number(text) / 1000),
  },
  units: { write: (v) => unitTime(Number(v)), read: parseTime },
  clock: { write: (v) => showTime(Number(v)), read: parseTime },
  iso8601: { write: (v) => isoTime(Number(v)), read: parseTime },
  hex: { write: (v) => String(v).replace('#', ''), read: parseColour },
  hashHex: { write: String, read: parseColour },
  text: { write: String, read: (text) => text },
  numberFromOne: shifted(0),
  numberFromZero: shifted(-1),
};

/** The value as the host spells it, or undefined where it has no word for it. */
export function spell(spelling: Spelling, value: SettingValue): string | undefined {
  if (spelling.form === 'words') return own(spelling.words, String(value));
  if (spelling.form === 'list') return String(value).split(',').join(spelling.separator);
  return FORMS[spelling.form].write(value);
}

/** The value that a host's text spells, or undefined. */
export function unspell(spelling: Spelling, text: string): SettingValue | undefined {
  if (spelling.form === 'list') return text.replaceAll(spelling.separator, ',');
  if (spelling.form !== 'words') return FORMS[spelling.form].read(text);
  for (const value in spelling.words) if (spelling.words[value] === text) return value;
  return undefined;
}
