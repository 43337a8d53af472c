import { IntlMessageFormat, type Formatters } from 'intl-messageformat';
import { language, sentence } from './language.ts';

/** What stands in the place of a name in braces. */
export type Values = Readonly<Record<string, string | number | null | undefined>>;

/** Dates and numbers as readers of each language write them. */
const LOCALES = { en: 'en-GB', de: 'de-DE' } as const;

export const locale = (): string => LOCALES[language()];

/** What is made anew for every sentence by itself is made once for all: it costs more than the rest of the sentence. */
function once<Arguments extends unknown[], Made>(make: (...args: Arguments) => Made): (...args: Arguments) => Made {
  const known = new Map<string, Made>();
  return (...args) => {
    const key = JSON.stringify(args);
    const made = known.get(key) ?? make(...args);
    known.set(key, made);
    return made;
  };
}

// Every browser has both locales; to ask for them takes a fifth of what all modules take to begin.
IntlMessageFormat.resolveLocale = () => undefined;
const formatters: Formatters = {
  getNumberFormat: once((...args) => new Intl.NumberFormat(...args)),
  getDateTimeFormat: once((...args) => new Intl.DateTimeFormat(...args)),
  getPluralRules: once((...args) => new Intl.PluralRules(...args)),
};

const formats = new Map<string, IntlMessageFormat>();

/** A sentence with names in braces, read once (ICU MessageFormat). */
export function formatOf(english: string, ignoreTag: boolean): IntlMessageFormat {
  const known = formats.get(english);
  if (known) return known;
  const made = new IntlMessageFormat(sentence(english), locale(), undefined, { ignoreTag, formatters });
  formats.set(english, made);
  return made;
}

/**
 * A sentence in the language of the reader. The English is its key, and stands where it is said; `npm run words` writes what
 * is to be translated. With values, names in braces are replaced, and plurals chosen: `{n, plural, one {# file} other {# files}}`.
 */
export const t = (english: string, values?: Values): string =>
  values ? (formatOf(english, true).format(values) as string) : sentence(english);

/** A name that begins with a capital only because it stands alone; German nouns keep theirs. */
export const within = (name: string): string => (language() === 'en' ? `${name.charAt(0).toLowerCase()}${name.slice(1)}` : name);

/** Names as a reader would list them. */
export const showList = (names: readonly string[], type: 'conjunction' | 'disjunction' = 'conjunction'): string =>
  new Intl.ListFormat(locale(), { type }).format(names);

export const showNumber = (value: number, options?: Intl.NumberFormatOptions): string => value.toLocaleString(locale(), options);

/** A day as `12 Oct 2026`. */
export const showDay = (date: number | Date): string => dateFormat({ dateStyle: 'medium' }).format(date);

/** A day with its time. */
export const showMoment = (date: number | Date): string => dateFormat({ dateStyle: 'medium', timeStyle: 'short' }).format(date);

export const dateFormat = (options: Intl.DateTimeFormatOptions): Intl.DateTimeFormat =>
  new Intl.DateTimeFormat(locale(), options);
