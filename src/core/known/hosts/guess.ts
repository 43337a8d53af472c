import { parseTime } from '../../model/time.ts';
import { parseColour, type SettingValue } from '../../model/values.ts';
import { isLocale } from '../../model/words.ts';
import { makesSense, settingOf, type SettingId } from '../settings/list.ts';
import type { Kind } from '../../model/kind.ts';

/** What a parameter may mean: a setting, with what its value would then be. */
export interface Guess {
  setting: SettingId;
  value: SettingValue;
}

/** Words in the names of parameters, as the HTML standard, Media Fragments and plain English have them. */
const BY_NAME: readonly (readonly [setting: SettingId, words: string])[] = [
  ['autoplay', 'autoplay auto autostart run go play ap'],
  ['mute', 'muted mute hush quiet silent silence'],
  ['loop', 'loop again repeat round'],
  ['controls', 'controls control bars bar buttons ui'],
  ['start', 't start from begin at s offset seek time'],
  ['end', 'end until stop to'],
  ['accent', 'colour color tint accent shade'],
  ['theme', 'theme look skin mode'],
  ['captions', 'captions cc subtitles subs track'],
  ['language', 'language lang locale'],
  ['volume', 'volume vol level loudness v'],
  ['related', 'related more next others after then'],
  ['showTitle', 'title heading name'],
  ['page', 'page slide leaf first'],
  ['interval', 'interval every delay'],
  ['panels', 'panels show'],
  ['download', 'download save'],
  ['tracking', 'track tracking leave'],
];

/** What parameters for a setting are called, the plainest first; its own name where nothing else is known. */
export const namesFor = (setting: SettingId): string[] =>
  BY_NAME.find(([id]) => id === setting)?.[1].split(' ') ?? [setting.toLowerCase()];

const ON = /^(?:1|true|yes|on|y|t|enabled|show|always|)$/i;
const OFF = /^(?:0|false|no|off|n|f|disabled|hide|never|none)$/i;

/** Words for on and off, of which the text is one: `['true', 'false']` for `false`; none for text that is not of a pair. */
export function pairOf(text: string): Pair | undefined {
  return PAIRS.find((pair) => pair.includes(text));
}

type Pair = readonly [on: string, off: string];
const PAIRS: readonly Pair[] = [
  ['1', '0'],
  ['true', 'false'],
  ['yes', 'no'],
  ['on', 'off'],
];

/** What the text would be as a value of the setting; undefined where it can be none. */
function valueOf(setting: SettingId, text: string, denied: boolean): SettingValue | undefined {
  const { value: type } = settingOf(setting);
  switch (type.type) {
    case 'switch': {
      const on = ON.test(text) ? true : OFF.test(text) ? false : undefined;
      return on === undefined ? undefined : on === denied ? 'off' : 'on';
    }
    case 'time':
      return timeOf(text);
    case 'colour':
      return parseColour(text);
    case 'count':
    case 'length': {
      const found = /^\d{1,4}$/.test(text)
        ? Number(text)
        : /^0?\.\d{1,3}$/.test(text)
          ? Math.round(Number(text) * 100)
          : undefined;
      return found;
    }
    case 'language':
      return isLocale(text) ? text.toLowerCase().replace('_', '-') : undefined;
    case 'choice':
      return (
        type.options.find((option) => option === text) ?? (OFF.test(text) && type.options.includes('none') ? 'none' : undefined)
      );
    default:
      return undefined;
  }
}

/** Seconds; whole hundreds from a thousand on are thousandths, since hardly anything begins so late to the second. */
function timeOf(text: string): number | undefined {
  if (/^\d{2,7}00$/.test(text)) return Number(text) / 1000;
  const seconds = parseTime(text);
  if (seconds !== undefined && seconds < 86_400) return seconds;
  return /^\d{5,9}$/.test(text) ? Number(text) / 1000 : undefined;
}

const DENIED = /^(?:no|hide|without|disable)[-_]?/i;

/** How well a parameter is called for the setting: 3 by the very word, 2 by one of its words, 1 by a beginning, 0 not at all. */
export function nameScore(setting: SettingId, name: string): number {
  const words = BY_NAME.find(([id]) => id === setting)?.[1].split(' ') ?? [];
  const plain = name.replace(DENIED, '').toLowerCase();
  const parts = plain.split(/[^a-z]+/).filter((part) => part !== '');
  if (words.includes(plain)) return 3;
  if (parts.some((part) => part.length > 1 && words.includes(part))) return 2;
  if (plain.length === 1) return words[0]?.startsWith(plain) ? 1 : 0;
  return plain.length > 2 && words.some((word) => word.length > 2 && (word.startsWith(plain) || plain.startsWith(word))) ? 1 : 0;
}

const fitsKind = (setting: SettingId, kind: Kind | undefined): boolean => kind === undefined || makesSense(setting, kind);

/** What a parameter may mean, the likeliest first: by what its kind has use for, by its name, by the shape of its value. */
export function guess(name: string, text: string, kind?: Kind): Guess[] {
  const denied = DENIED.test(name);
  return (
    BY_NAME.flatMap(([setting]) => {
      const value = valueOf(setting, text, denied);
      return value === undefined ? [] : [{ setting, value, score: nameScore(setting, name) }];
    })
      .sort((a, b) => Number(fitsKind(b.setting, kind)) - Number(fitsKind(a.setting, kind)) || b.score - a.score)
      // Where the name says something, what it does not speak of is left out.
      .filter(({ score: own }, _, [best]) => own > 0 || best!.score === 0)
      .slice(0, 5)
      .map(({ setting, value }) => ({ setting, value }))
  );
}
