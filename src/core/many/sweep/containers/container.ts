/**
 * A part of a file in which embeds may stand: its text as whoever reads the file takes it, the way back to the file, and
 * how text is written there.
 */
export interface Piece {
  text: string;
  /** Where a place of the text stands in the file, in UTF-16 code units. */
  origin: (place: number) => number;
  /** A text as it has to be written there; null where it cannot stand there. */
  spell: (text: string) => string | null;
}

/** A kind of file, told by its name; one file each, the file's name is the id. */
export interface Container {
  id: string;
  /** Endings of file names, in small letters, without the dot. */
  endings: readonly string[];
  /** The parts in order; what they leave out is never touched. */
  pieces: (text: string) => readonly Piece[];
}

/** A text that stands in its file as it is. */
export const asItIs = (text: string, from = 0): Piece => ({
  text,
  origin: (place) => place + from,
  spell: (written) => written,
});

/** Only what may hold an embed is looked at: a tag, or a short code. */
export const mayHold = (text: string): boolean =>
  /[<[]\s*(?:iframe|object|embed|video|audio|script|blockquote|div|p|a)\b|\[[a-z]/i.test(text);
