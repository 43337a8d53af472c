import { join } from 'node:path';

/** Where the build puts what browsers load. */
export const BUILT = join(import.meta.dirname, '../../dist');
