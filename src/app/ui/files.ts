import { textOf } from '../../core/many/batch/textOf.ts';

/** Milliseconds until a saved file is let go: not every browser has begun to read it when the press is over. */
const READ_BY = 60_000;

/** Hands a text, or the bytes of a file, to the browser as a file to keep. */
export function saveFile(name: string, content: string | Uint8Array<ArrayBuffer>, type = 'application/json'): void {
  const address = URL.createObjectURL(new Blob([content], { type }));
  Object.assign(document.createElement('a'), { href: address, download: name }).click();
  setTimeout(() => URL.revokeObjectURL(address), READ_BY);
}

export interface NamedText {
  name: string;
  text: string;
  /** The encoding, where it had to be guessed. */
  guessed?: string;
}

/** A file as text, whatever its encoding. */
export async function readText(file: File): Promise<NamedText> {
  const { text, encoding, guessed } = textOf(new Uint8Array(await file.arrayBuffer()));
  return { name: file.name, text, ...(guessed && { guessed: encoding }) };
}
