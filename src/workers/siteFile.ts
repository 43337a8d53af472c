/** A file that a sweep looks into: a handle, whose bytes are read where they are needed. */
export interface SiteFile {
  name: string;
  content: Blob;
  /** Where in `content` it stands, in bytes, where many files share one; browsers keep many small ones badly. */
  within?: readonly [from: number, to: number];
}

const placeOf = ({ content, within }: SiteFile): readonly [number, number] => within ?? [0, content.size];

/** In bytes. */
export function sizeOf(file: SiteFile): number {
  const [from, to] = placeOf(file);
  return to - from;
}

/** By which a file is known to be the same as before; null where it cannot be told. */
export const stampOf = (file: SiteFile): string | null =>
  file.content instanceof File ? `${sizeOf(file)} ${file.content.lastModified}` : null;

/** The bytes of files, by one question to the browser for all of them; those that stand side by side are read as one. */
export async function bytesOf(files: readonly SiteFile[]): Promise<Uint8Array[]> {
  const runs: { content: Blob; from: number; to: number }[] = [];
  for (const file of files) {
    const { content } = file;
    const [from, to] = placeOf(file);
    const last = runs.at(-1);
    if (last?.content === content && last.to === from) last.to = to;
    else runs.push({ content, from, to });
  }
  const blobs = runs.map(({ content, from, to }) => (from === 0 && to === content.size ? content : content.slice(from, to)));
  const all = new Uint8Array(await new Blob(blobs).arrayBuffer());
  let at = 0;
  return files.map((file) => all.subarray(at, (at += sizeOf(file))));
}
