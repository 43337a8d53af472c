import { config } from 'zod';
import type { Catalogue } from './catalogue.ts';

/** The languages that Refenestra speaks, each by its own name. */
export const LANGUAGES = { en: 'English', de: 'Deutsch' } as const;

export type Language = keyof typeof LANGUAGES;

/** Catalogues by language; English stands in the code itself and needs none. */
const CATALOGUES: { readonly [Of in Exclude<Language, 'en'>]: () => Promise<Catalogue> } = {
  de: async () => {
    const [{ GERMAN }, { default: ofZod }] = await Promise.all([import('./de/german.ts'), import('zod/v4/locales/de.js')]);
    config(ofZod());
    return GERMAN;
  },
};

interface Spoken {
  readonly language: Language;
  readonly catalogue: Catalogue;
}

let spoken: Spoken = { language: 'en', catalogue: {} };

/**
 * Sets the language, once, before any other module with sentences is loaded: many of them stand in tables that are made
 * when their module is.
 */
export async function speak(language: Language): Promise<void> {
  spoken = { language, catalogue: language === 'en' ? {} : await CATALOGUES[language]() };
}

export const language = (): Language => spoken.language;

export const sentence = (english: string): string => spoken.catalogue[english] ?? english;

/** The first of the languages that somebody reads (BCP 47 tags, the best first) that Refenestra speaks; otherwise English. */
export function bestLanguage(read: readonly string[]): Language {
  for (const tag of read) {
    const primary = tag.split(/[-_.]/)[0]!.toLowerCase();
    if (Object.hasOwn(LANGUAGES, primary)) return primary as Language;
  }
  return 'en';
}
