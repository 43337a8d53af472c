import { containerOf } from '../../core/many/sweep/containers/list.ts';
import { inverseOf } from '../../core/many/sweep/apply.ts';
import { writeChanges } from '../../core/many/sweep/bytes.ts';
import type { SiteFile } from '../../workers/siteFile.ts';
import { forgetWritten, keepWritten, type WrittenSweep } from '../storage/sweeps.ts';

/** Folders of this machine that may be written (File System Access); not every browser has them. */
type Window = typeof globalThis & {
  showDirectoryPicker?: (options: { mode: 'readwrite' }) => Promise<FileSystemDirectoryHandle>;
};
type Writable = FileSystemDirectoryHandle & {
  entries: () => AsyncIterable<[string, FileSystemHandle]>;
  requestPermission?: (options: { mode: 'readwrite' }) => Promise<PermissionState>;
};

/** Whether this browser writes into folders. */
export const canWriteFolders = (): boolean => 'showDirectoryPicker' in window;

/** The folder that somebody chooses; null where none is. */
export async function pickFolder(): Promise<FileSystemDirectoryHandle | null> {
  try {
    return await (window as Window).showDirectoryPicker!({ mode: 'readwrite' });
  } catch (error) {
    if ((error as Error).name === 'AbortError') return null;
    throw error;
  }
}

const NOT_OF_SITE = /^(?:node_modules|\..*)$/;

/** The files of a folder that a sweep looks into, by their paths below it. */
export async function filesIn(folder: FileSystemDirectoryHandle, path = ''): Promise<SiteFile[]> {
  const files: SiteFile[] = [];
  for await (const [name, entry] of (folder as Writable).entries()) {
    if (entry.kind === 'directory' && !NOT_OF_SITE.test(name)) files.push(...(await filesIn(entry, `${path}${name}/`)));
    if (entry.kind === 'file' && containerOf(name)) files.push({ name: path + name, content: await entry.getFile() });
  }
  return files;
}

/** The files of a folder that was opened in an earlier visit; null where the browser no longer lets us in. */
export async function filesAgain(folder: FileSystemDirectoryHandle): Promise<SiteFile[] | null> {
  try {
    const leave = await (folder as Writable).requestPermission?.({ mode: 'readwrite' });
    return leave === 'denied' ? null : await filesIn(folder);
  } catch {
    return null;
  }
}

/** How many files were written, and those that were not, since they are no longer what they were. */
export interface FolderWritten {
  written: number;
  missed: readonly string[];
}

/** Writes changes into a folder; what is to be written is kept first, for the way back. */
export async function writeInto(sweep: WrittenSweep): Promise<FolderWritten> {
  await keepWritten(sweep);
  return writeAll(sweep);
}

/** Takes back what was last written, as far as it was; files that somebody changed since stay. */
export async function takeBack({ folder, files }: WrittenSweep): Promise<FolderWritten> {
  await (folder as Writable).requestPermission?.({ mode: 'readwrite' });
  const outcome = await writeAll({ folder, files: files.map(({ name, changes }) => ({ name, changes: inverseOf(changes) })) });
  await forgetWritten();
  return outcome;
}

/** One window at a time writes. A file is replaced when it is closed (File System Access, section 2.4): never half of it. */
const writeAll = ({ folder, files }: WrittenSweep): Promise<FolderWritten> =>
  navigator.locks.request('refenestra-sweep', async () => {
    const missed: string[] = [];
    for (const { name, changes } of files) {
      const handle = await fileAt(folder, name).catch(() => null);
      const bytes = handle && new Uint8Array(await (await handle.getFile()).arrayBuffer());
      const written = bytes && writeChanges(name, bytes, changes);
      if (!written) {
        missed.push(name);
        continue;
      }
      const stream = await handle.createWritable();
      await stream.write(written.bytes);
      await stream.close();
    }
    return { written: files.length - missed.length, missed };
  });

async function fileAt(folder: FileSystemDirectoryHandle, path: string): Promise<FileSystemFileHandle> {
  const parts = path.split('/');
  const name = parts.pop()!;
  let at = folder;
  for (const part of parts) at = await at.getDirectoryHandle(part);
  return at.getFileHandle(name);
}
