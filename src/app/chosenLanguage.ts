import { bestLanguage, type Language } from '../messages/language.ts';

/** Asked before anything else is there, and so kept where an answer comes at once. */
const KEPT = 'language';

/** The language that was chosen, or else the one that the browser asks pages for. */
export function readLanguage(): Language {
  const kept = localStorageOf()?.getItem(KEPT);
  return bestLanguage([...(kept ? [kept] : []), ...navigator.languages]);
}

/** Sentences stand in tables that are made once: another language takes another load, and what is being made is kept. */
export function chooseLanguage(language: Language): void {
  localStorageOf()?.setItem(KEPT, language);
  location.reload();
}

/** Not there where the browser keeps nothing for this site. */
function localStorageOf(): Storage | null {
  try {
    return localStorage;
  } catch {
    return null;
  }
}
