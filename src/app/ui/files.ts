/** Hands a text, or the bytes of a file, to the browser as a file to keep. */
export function saveFile(name: string, content: string | Uint8Array<ArrayBuffer>, type = 'application/json'): void {
  const address = URL.createObjectURL(new Blob([content], { type }));
  Object.assign(document.createElement('a'), { href: address, download: name }).click();
  URL.revokeObjectURL(address);
}

export interface NamedText {
  name: string;
  text: string;
}

/** The texts of the chosen files; the field is empty again afterwards, so that the same file can be chosen anew. */
export async function readFiles(field: HTMLInputElement): Promise<NamedText[]> {
  const files = await Promise.all([...(field.files ?? [])].map(async (file) => ({ name: file.name, text: await file.text() })));
  field.value = '';
  return files;
}
