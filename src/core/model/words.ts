/** A text in small letters without accents: `Écluse` as `ecluse` (Unicode Standard Annex 15, NFKD). */
export const withoutAccents = (text: string): string =>
  text
    .normalize('NFKD')
    .replace(/\p{Diacritic}/gu, '')
    .toLowerCase();

/** The words of a text without accents, letters and digits of any script; `L’écluse` is one word. */
export const wordsIn = (text: string): string[] =>
  withoutAccents(text)
    .replace(/['’]/g, '')
    .split(/[^\p{Letter}\p{Mark}\p{Number}]+/u)
    .filter(Boolean);

/** Languages that addresses are often in (BCP 47), alone or with a region. */
const LOCALE =
  /^(?:ar|bg|ca|cs|cy|da|de|el|en|es|et|eu|fa|fi|fr|ga|gl|he|hi|hr|hu|id|is|it|ja|ko|lt|lv|nb|nl|nn|no|pl|pt|ro|ru|sk|sl|sq|sr|sv|th|tr|uk|vi|zh)(?:[-_][a-z]{2,4})?$/i;
/** Whether a text, such as a segment of an address, names a language, alone or with a region (BCP 47). */
export const isLocale = (text: string): boolean => LOCALE.test(text);
