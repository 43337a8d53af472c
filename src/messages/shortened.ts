/** A text of somebody else, as much of it as stands in a line. */
export const shortened = (text: string): string => (text.length > 40 ? `${text.slice(0, 39)}…` : text);
