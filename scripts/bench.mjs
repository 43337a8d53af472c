/** `npm run bench`: the figures of speed, on built code. */
import { join } from 'node:path';
import { ensureBuild, ensureNodeBuild, ensurePackages, root, run, runTypeScript } from './setup.mjs';

ensurePackages();
ensureBuild();
ensureNodeBuild();
run(process.execPath, [join(root, 'dist/node/bench.js')]);
for (const file of ['server', 'firstLoad', 'browser', 'again']) runTypeScript(join(root, `bench/${file}.ts`));
