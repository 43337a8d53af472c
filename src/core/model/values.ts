import { splitFeatures } from './features.ts';
import { parseTime, showTime } from './time.ts';

/** What a setting's value may be. Switches are `on` and `off`, lengths CSS pixels, times seconds, colours `#rrggbb`. */
export type ValueType =
  | { type: 'switch' }
  | { type: 'choice'; options: readonly string[] }
  | { type: 'time' }
  | { type: 'count'; least: number }
  | { type: 'length'; least: number; most: number }
  | { type: 'colour' }
  | { type: 'ratio' }
  | { type: 'language' }
  | { type: 'text'; longest: number }
  /** The address of a picture, or the picture itself as a `data:` address (RFC 2397). */
  | { type: 'picture' }
  /** Some of the options, joined by commas. */
  | { type: 'set'; options: readonly string[] }
  /** An id, or several classes, as HTML takes them. */
  | { type: 'name' }
  | { type: 'names' }
  /** Features with the origins that they are for, joined by semicolons, in the order of the alphabet (Permissions Policy, section 9.2). */
  | { type: 'features'; longest: number };

export type SettingValue = string | number;

type Reader = (text: string, type: never) => SettingValue | undefined;

const READERS = {
  switch: (text) => (text === 'on' || text === 'off' ? text : undefined),
  choice: (text, type: { options: readonly string[] }) => type.options.find((o) => o === text),
  time: (text) => parseTime(text),
  count: (text, type: { least: number }) => whole(text, type.least, 100_000),
  length: (text, type: { least: number; most: number }) => whole(text, type.least, type.most),
  colour: (text) => parseColour(text),
  ratio: (text) => parseRatio(text),
  // BCP 47 primary language and region are all that hosts take.
  language: (text) => (/^[a-z]{2,3}(-[A-Za-z0-9]{2,8})*$/.test(text) && text.length < 24 ? text : undefined),
  text: (text, type: { longest: number }) => (text.length <= type.longest ? text : undefined),
  picture: (text) => (PICTURE.test(text) || (text.length < 2000 && WEB_ADDRESS.test(text)) ? text : undefined),
  set: (text, type: { options: readonly string[] }) => someOf(text, type.options),
  name: (text) => (NAME.test(text) ? text : undefined),
  names: (text) => (text.split(/\s+/).every((name) => NAME.test(name)) ? text : undefined),
  features: (text, type: { longest: number }) =>
    text.length <= type.longest ? splitFeatures(text).sort().join('; ') || undefined : undefined,
} satisfies Record<ValueType['type'], Reader>;

/** Pictures of a quarter of a megabyte at most: they become part of the code. */
const PICTURE =
  /^data:image\/(?:webp|jpeg|png|avif);base64,(?:[A-Za-z0-9+/]{4}){5,85000}(?:[A-Za-z0-9+/]{2}==|[A-Za-z0-9+/]{3}=)?$/;
const WEB_ADDRESS = /^https?:\/\/[^\s"'<>`]+$/i;

const NAME = /^[A-Za-z_][\w-]{0,79}$/;

/** Those of the options that are named, in the order of the options; undefined when another is. */
function someOf(text: string, options: readonly string[]): string | undefined {
  const named = text.split(/[\s,]+/).filter((name) => name !== '');
  return named.length > 0 && named.every((name) => options.includes(name))
    ? options.filter((option) => named.includes(option)).join(',')
    : undefined;
}

/** The value that `text` writes, or undefined when it does not fit the type. */
export function parseValue(type: ValueType, text: string): SettingValue | undefined {
  const tidy = type.type === 'text' ? text : text.trim();
  return (READERS[type.type] as Reader)(tidy, type as never);
}

/** A value as text: what `parseValue` reads back to the same value. */
export function writeValue(type: ValueType, value: SettingValue): string {
  return type.type === 'time' ? showTime(Number(value)) : String(value);
}

/** `#rrggbb` from `#rgb`, `rrggbb`, `#RRGGBB`. */
export function parseColour(text: string): string | undefined {
  const hex = /^#?([0-9a-f]{3}|[0-9a-f]{6})$/i.exec(text)?.[1]?.toLowerCase();
  if (!hex) return undefined;
  return `#${hex.length === 3 ? hex.replace(/./g, '$&$&') : hex}`;
}

/** `16:9` from `16:9`, `16/9`, `16 / 9`, `2.35:1`, `1.5`. */
export function parseRatio(text: string): string | undefined {
  const parts = /^(\d{1,5}(?:\.\d{1,4})?)(?:\s*[:/]\s*(\d{1,5}(?:\.\d{1,4})?))?$/.exec(text.trim());
  if (!parts) return undefined;
  const [width, height] = [Number(parts[1]), Number(parts[2] ?? 1)];
  const ratio = width / height;
  return ratio >= 0.1 && ratio <= 10 ? `${width}:${height}` : undefined;
}

/** The ratio of a width and a height, in the smallest whole numbers; none where it is too flat or too tall for one. */
export function ratioBetween(width: number, height: number): string | undefined {
  let [divisor, rest] = [width, height];
  while (rest > 0) [divisor, rest] = [rest, divisor % rest];
  return parseRatio(`${width / divisor}:${height / divisor}`);
}

/** Width divided by height. */
export function ratioOf(ratio: string): number {
  const [width, height] = ratio.split(':');
  return Number(width) / Number(height);
}

function whole(text: string, least: number, most: number): number | undefined {
  const digits = /^(\d{1,6})(?:px)?$/.exec(text)?.[1];
  const value = Number(digits ?? NaN);
  return value >= least && value <= most ? value : undefined;
}
