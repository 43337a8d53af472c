/** `npm run shots`: takes the pictures of `docs/screenshots/`; names as arguments take only those. */
import { join } from 'node:path';
import { ensureBuild, ensurePackages, ensurePrograms, root, runTypeScript } from './setup.mjs';

ensurePackages();
ensurePrograms({ chromium: 'chromium' });
ensureBuild();
runTypeScript(join(root, 'e2e/shots.ts'), process.argv.slice(2));
