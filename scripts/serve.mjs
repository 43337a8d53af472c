/** `npm run serve`, `npm run work`: the built server, or a worker of it, without a compiler in between. */
import { ensureBuild, ensureNodeBuild, ensurePackages } from './setup.mjs';

const [program] = process.argv.slice(2);
ensurePackages();
ensureBuild();
ensureNodeBuild();
await import(`../dist/node/${program}.js`);
