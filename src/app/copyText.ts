/** Puts text on the clipboard. Rejects where the browser refuses, and where it has no clipboard for pages. */
// Async, so that a missing clipboard rejects like a refusal, and does not throw.
export const copyText = async (text: string): Promise<void> => navigator.clipboard.writeText(text);
