/** `npm run cli -- …`: the command line, built when its source has changed. */
import { ensureNodeBuild, ensurePackages } from './setup.mjs';

ensurePackages();
ensureNodeBuild();
await import('../dist/node/cli.js');
