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
