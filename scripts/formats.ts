import { mkdirSync, rmSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { z } from 'zod';
import { cardSchema } from '../src/core/hosts/card.ts';
import { checkPages } from '../src/messages/checkPages.ts';
import { repairsTable } from '../src/messages/repairsTable.ts';

/** Writes the JSON Schema of the host card from the schema that the application uses. */
const file = join(import.meta.dirname, '../docs/formats/host-card.schema.json');
writeFileSync(file, `${JSON.stringify(z.toJSONSchema(cardSchema, { io: 'input' }), null, 2)}\n`);
console.log(`written: ${file}`);

writeFileSync(join(import.meta.dirname, '../docs/repairs.md'), repairsTable());

const checks = join(import.meta.dirname, '../docs/checks');
rmSync(checks, { recursive: true, force: true });
mkdirSync(checks);
for (const [name, text] of Object.entries(checkPages())) writeFileSync(join(checks, name), text);
