import { PLAIN_SPELLINGS, type Spelling } from '../known/hosts/spelling.ts';
import { spell, unspell } from '../known/hosts/spellings.ts';
import { settingOf, type SettingId } from '../known/settings/list.ts';
import type { SettingValue } from '../model/values.ts';

/** A value of a setting with what stood for it. */
export interface Spelt {
  value: SettingValue;
  text: string;
}

/** A spelling that fits, with how much is known of it. */
export interface LearntSpelling {
  spelling: Spelling;
  /** Whether no other spelling that can be said fits. */
  certain: boolean;
  /** Values that nobody showed, and that were filled in by what hosts usually say. */
  filled: readonly string[];
}

const OPPOSITES: readonly (readonly [on: string, off: string])[] = [
  ['1', '0'],
  ['true', 'false'],
  ['yes', 'no'],
  ['on', 'off'],
  ['y', 'n'],
  ['t', 'f'],
  ['enabled', 'disabled'],
  ['enable', 'disable'],
  ['show', 'hide'],
  ['shown', 'hidden'],
  ['visible', 'hidden'],
  ['always', 'never'],
  ['auto', 'manual'],
  ['full', 'none'],
  ['all', 'none'],
  ['with', 'without'],
  ['active', 'inactive'],
  ['2', '1'],
  ['-1', '0'],
];

const CASES: readonly ((text: string) => string)[] = [
  (text) => text.toLowerCase(),
  (text) => text.toUpperCase(),
  (text) => text.charAt(0).toUpperCase() + text.slice(1).toLowerCase(),
];

/** The word that usually stands for the contrary, in the same case; undefined where there is none. */
function opposite(text: string): string | undefined {
  for (const [on, off] of OPPOSITES)
    for (const inCase of CASES) {
      if (text === inCase(on)) return inCase(off);
      if (text === inCase(off)) return inCase(on);
    }
  return undefined;
}

const CONTRARY: Readonly<Record<string, string>> = { on: 'off', off: 'on' };

function switchSpelling(spelt: readonly Spelt[]): LearntSpelling | null {
  const words = wordsOf(spelt);
  if (!words) return null;
  const shown = Object.keys(words);
  if (shown.length === 1 && words[shown[0]!]![0] !== '') {
    const contrary = opposite(words[shown[0]!]![0]!);
    if (contrary !== undefined)
      return {
        spelling: asWords({ ...words, [CONTRARY[shown[0]!]!]: [contrary] }),
        certain: false,
        filled: [CONTRARY[shown[0]!]!],
      };
  }
  return { spelling: asWords(words), certain: shown.length === 2, filled: [] };
}

/** Words by their value; null where one word stands for two values. */
function wordsOf(spelt: readonly Spelt[]): Record<string, string[]> | null {
  const words: Record<string, string[]> = {};
  for (const { value, text } of spelt) {
    const held = (words[String(value)] ??= []);
    if (!held.includes(text)) held.push(text);
  }
  const all = Object.values(words).flat();
  return new Set(all).size === all.length && all.every((word) => word.length <= 60) ? words : null;
}

const asWords = (words: Readonly<Record<string, string[]>>): Spelling => ({
  form: 'words',
  words: Object.fromEntries(
    Object.entries(words)
      .sort(([a], [b]) => (a < b ? -1 : 1))
      .map(([value, held]) => [value, held.length === 1 ? held[0]! : [...held].sort()]),
  ),
});

/** Words that hosts have for the same pair of options, each in the order of ours. */
const NEIGHBOURS: readonly (readonly string[])[] = [
  ['light', 'dark'],
  ['day', 'night'],
  ['white', 'black'],
  ['bright', 'dim'],
  ['pale', 'deep'],
  ['full', 'slim'],
  ['wide', 'slim'],
  ['large', 'small'],
  ['big', 'small'],
  ['normal', 'compact'],
  ['standard', 'mini'],
  ['full', 'mini'],
  ['full', 'compact'],
  ['tall', 'short'],
  ['free', 'path'],
  ['1', '0'],
  ['0', '1'],
  ['free', 'fixed'],
  ['any', 'none'],
  ['all', 'none'],
  ['plain', 'relief'],
  ['plain', 'terrain'],
  ['map', 'terrain'],
];

/** Options are words of their own, their first letters, or words that usually go together. */
function choiceSpelling(spelt: readonly Spelt[], options: readonly string[]): LearntSpelling | null {
  const words = wordsOf(spelt);
  if (!words) return null;
  const left = options.filter((option) => !Object.hasOwn(words, option));
  if (left.length === 0) return { spelling: asWords(words), certain: true, filled: [] };
  const shown = Object.entries(words).map(([value, held]) => [value, held[0]!] as const);
  const filled = fillOptions(shown, options);
  const taken = new Set(shown.map(([, text]) => text));
  for (const option of left) {
    const text = filled(option);
    if (text !== undefined && !taken.has(text)) {
      words[option] = [text];
      taken.add(text);
    }
  }
  return { spelling: asWords(words), certain: false, filled: left.filter((option) => Object.hasOwn(words, option)) };
}

type Filler = (option: string) => string | undefined;

function fillOptions(shown: readonly (readonly [value: string, text: string])[], options: readonly string[]): Filler {
  for (const inCase of [(text: string) => text, ...CASES.slice(1)]) {
    if (shown.every(([value, text]) => text === inCase(value))) return inCase;
    if (shown.every(([value, text]) => text === inCase(value.charAt(0)))) return (option) => inCase(option.charAt(0));
  }
  const first = options.indexOf(shown[0]![0]);
  if (shown.every(([value, text]) => text === String(options.indexOf(value)))) return (option) => String(options.indexOf(option));
  const ends = [options[0], options.length === 2 ? options[1] : options.includes('none') ? 'none' : options[1]];
  for (const pair of NEIGHBOURS)
    for (const inCase of CASES) {
      const at = pair.findIndex((word) => inCase(word) === shown[0]![1]);
      if (at < 0 || ends[at] !== options[first]) continue;
      return (option) => {
        const other = ends.indexOf(option);
        return other < 0 ? undefined : inCase(pair[other]!);
      };
    }
  return () => undefined;
}

const SCALES: Readonly<Record<string, readonly number[]>> = {
  time: [25, 24, 30, 50, 60, 10, 100, 48_000, 44_100, 1_000_000, 1 / 60],
  length: [0.01, 0.1, 10, 2.55, 1000],
  count: [0.1, 10, 100],
};

/** Every spelling that can be said and that fits all of them, the plainest first. */
function fitting(setting: SettingId, spelt: readonly Spelt[]): Spelling[] {
  const { type } = settingOf(setting).value;
  const bare: Spelling[] = [
    ...(PLAIN_SPELLINGS[type] ?? []).map((form): Spelling => ({ form })),
    ...(SCALES[type] ?? []).map((by): Spelling => ({ form: 'scaled', by: Math.round(by * 1e6) / 1e6 })),
  ];
  const decorated = bare.flatMap((spelling) => decorate(spelling, spelt[0]!));
  const dressed = (spelling: Spelling): number => {
    // What lasts some seconds is told in seconds alone: `4s` is hardly ever the end of `1m4s` there.
    if (setting === 'interval' && spelling.form === 'units') return 2;
    return 'before' in spelling || 'after' in spelling ? 1 : 0;
  };
  return decorated
    .filter((spelling) => spelt.every(({ value, text }) => reads(spelling, { value, text })))
    .sort((a, b) => dressed(a) - dressed(b));
}

function reads(spelling: Spelling, { value, text }: Spelt): boolean {
  if (spell(spelling, value) !== text) return false;
  const back = unspell(spelling, text);
  return back !== undefined && (back === value || Math.abs(Number(back) - Number(value)) < 0.02);
}

/** The spelling, with what else stands around the value in the text. */
function decorate(spelling: Spelling, { value, text }: Spelt): Spelling[] {
  const written = spell(spelling, value);
  if (written === undefined || written === '') return [];
  if (written === text) return [spelling];
  const at = text.indexOf(written);
  if (at < 0 || spelling.form === 'words' || spelling.form === 'list') return [];
  const [before, after] = [text.slice(0, at), text.slice(at + written.length)];
  if (before.length > 12 || after.length > 12 || (typeof value === 'number' && /[\d.]/.test(before + after))) return [];
  return [{ ...spelling, ...(before !== '' && { before }), ...(after !== '' && { after }) }];
}

const SEPARATORS = [',', ';', '|', ' ', '+', '.', ':', '/', '_', '-'];

function listSpelling(spelt: readonly Spelt[]): LearntSpelling | null {
  for (const separator of SEPARATORS) {
    const words: Record<string, string> = {};
    const fits = spelt.every(({ value, text }) => {
      const [ours, theirs] = [String(value).split(','), text.split(separator)];
      if (ours.length !== theirs.length) return false;
      return ours.every((entry, i) => (words[entry] ??= theirs[i]!) === theirs[i]);
    });
    if (!fits) continue;
    const several = spelt.some(({ value }) => String(value).includes(','));
    const named = Object.fromEntries(Object.entries(words).filter(([entry, word]) => entry !== word));
    return {
      spelling: { form: 'list', separator, ...(Object.keys(named).length > 0 && { words: named }) },
      certain: false,
      filled: several ? [] : ['separator'],
    };
  }
  return null;
}

/** How a host spells a setting, by what it made of some values; null where no spelling that can be said fits. */
export function learnSpelling(setting: SettingId, spelt: readonly Spelt[]): LearntSpelling | null {
  const { value: type } = settingOf(setting);
  if (type.type === 'switch') return switchSpelling(spelt);
  if (type.type === 'choice') return choiceSpelling(spelt, type.options);
  if (type.type === 'set') return listSpelling(spelt);
  const all = fitting(setting, spelt);
  const [first] = all;
  if (!first) {
    const words = wordsOf(spelt);
    return words && { spelling: asWords(words), certain: false, filled: [] };
  }
  return { spelling: first, certain: all.length === 1 && isTelling(type.type, first, spelt), filled: [] };
}

/** Whether what was shown leaves nothing open: numbers that are none in another unit, and colours with letters in them. */
function isTelling(type: string, spelling: Spelling, spelt: readonly Spelt[]): boolean {
  if (type === 'time')
    return ['seconds', 'milliseconds'].includes(spelling.form) && spelt.some(({ value }) => Number(value) >= 60);
  if (type === 'colour')
    return spelling.form !== 'colourName' && spelt.some(({ text }) => /[a-f]/i.test(text.replace('rgb', '')));
  if (type === 'language') return spelt.some(({ value }) => String(value).includes('-'));
  return spelt.some(({ value }) => Number(value) > 9);
}
