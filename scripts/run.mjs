/** Runs one TypeScript entry file with its arguments: `node scripts/run.mjs FILE …`. */
import { ensurePackages, root, runTypeScript } from './setup.mjs';
import { join } from 'node:path';

ensurePackages();
const [file, ...args] = process.argv.slice(2);
runTypeScript(join(root, file), args);
