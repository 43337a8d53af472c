/** Bytes of a text in UTF-8. */
export const sizeOf = (text: string): number => new TextEncoder().encode(text).length;
