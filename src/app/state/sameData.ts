/** Whether two values say the same, though they were made apart: what shows them need not be drawn anew. */
export const sameData = (a: unknown, b: unknown): boolean => a === b || JSON.stringify(a) === JSON.stringify(b);
