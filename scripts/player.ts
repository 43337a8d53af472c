import { writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { playerScript } from './playerScript.ts';

/** Writes the script of the page that plays running orders, made from `src/player`, to where the core lays it into pages. */
const script = await playerScript();
writeFileSync(
  join(import.meta.dirname, '../src/core/order/page/script.ts'),
  `/** Made from \`src/player\` by \`npm run formats\`. */\nexport const SCRIPT =\n  ${JSON.stringify(script)};\n`,
);
