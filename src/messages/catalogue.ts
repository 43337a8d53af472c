/** What is said in a language: an English sentence of the code → the same in that language (ICU MessageFormat). */
export type Catalogue = Readonly<Record<string, string>>;
