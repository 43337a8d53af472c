/** `npm start`, `npm run work`: installs what is missing, builds what has changed, and starts the server, or a worker of it. */
import { ensureBuild, ensureNodeBuild, ensurePackages } from './setup.mjs';

const [program] = process.argv.slice(2);
ensurePackages();
ensureBuild();
ensureNodeBuild();
await import(`../dist/node/${program}.js`);
