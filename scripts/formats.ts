import { mkdirSync, rmSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { z } from 'zod';
import { cardSchema } from '../src/core/known/hosts/card.ts';
import { librarySchema } from '../src/core/known/hosts/library.ts';
import { bundleSchema } from '../src/core/keeping/bundle/bundle.ts';
import { orderSchema } from '../src/core/order/order.ts';
import { examplesSchema } from '../src/core/teach/examples.ts';
import { reportSchema } from '../src/core/many/sweep/report.ts';
import { rulesSchema } from '../src/core/many/sweep/rules.ts';
import { siteSchema } from '../src/core/model/site.ts';
import { styleSchema } from '../src/core/known/styles/style.ts';
import { checkPages } from '../src/messages/checkPages.ts';
import { repairsTable } from '../src/messages/repairsTable.ts';

const FORMATS = {
  'host-card': cardSchema,
  site: siteSchema,
  'house-style': styleSchema,
  bundle: bundleSchema,
  examples: examplesSchema,
  'card-library': librarySchema,
  'running-order': orderSchema,
  'sweep-rules': rulesSchema,
  'sweep-report': reportSchema,
};

/** Writes the JSON Schemas of our formats from the schemas that the application uses. */
const formats = join(import.meta.dirname, '../docs/formats');
for (const [name, schema] of Object.entries(FORMATS))
  writeFileSync(join(formats, `${name}.schema.json`), `${JSON.stringify(z.toJSONSchema(schema, { io: 'input' }), null, 2)}\n`);

writeFileSync(join(import.meta.dirname, '../docs/repairs.md'), repairsTable());

const checks = join(import.meta.dirname, '../docs/checks');
rmSync(checks, { recursive: true, force: true });
mkdirSync(checks);
for (const [name, text] of Object.entries(checkPages())) writeFileSync(join(checks, name), text);
