import { createHash } from 'node:crypto';
import { writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { playerScript } from './playerScript.ts';

/** Writes the script of the page that plays running orders, made from `src/player`, to where the core lays it into pages. */
const script = await playerScript();
writeFileSync(
  join(import.meta.dirname, '../src/core/order/page/script.ts'),
  `/** Made from \`src/player\` by \`npm run formats\`. */\nexport const SCRIPT =\n  ${JSON.stringify(script)};\n\n/** By which a Content Security Policy lets it run (CSP Level 3, section 2.3.1). */\nexport const SCRIPT_HASH = 'sha256-${createHash('sha256').update(script).digest('base64')}';\n`,
);
