import { existsSync } from 'node:fs';
import { dirname, join } from 'node:path';

/** The folder of the project, whether this runs from its source or built. */
export const ROOT = rootFrom(import.meta.dirname);

/** Where the pages and pictures of a stand-in are. */
export const folderOf = (name: string): string => join(ROOT, 'src/standins', name);

function rootFrom(folder: string): string {
  return existsSync(join(folder, 'package.json')) ? folder : rootFrom(dirname(folder));
}
