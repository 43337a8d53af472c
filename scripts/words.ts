/**
 * `npm run words`: writes what is to be translated into the catalogues. What is translated stays, what is no longer said
 * goes, and what is new stands there empty, so that English is said in its place until somebody fills it in.
 */
import { mkdirSync, readdirSync, readFileSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { sentences } from './sentences.ts';

const root = join(import.meta.dirname, '..');
const said = sentences(root);
const rooms = [...new Set(said.map(({ room }) => room))];
const folders = readdirSync(join(root, 'src/messages'), { withFileTypes: true }).filter((entry) => entry.isDirectory());

for (const { name: language } of folders) {
  const folder = join(root, 'src/messages', language);
  const known = new Map(
    readdirSync(folder)
      .filter((file) => file.endsWith('.json'))
      .flatMap((file) => Object.entries(JSON.parse(readFileSync(join(folder, file), 'utf8')) as Record<string, string>)),
  );
  const written = new Set<string>();
  let empty = 0;
  mkdirSync(folder, { recursive: true });
  for (const room of rooms) {
    const catalogue: Record<string, string> = {};
    for (const { english } of said.filter((one) => one.room === room)) {
      if (written.has(english)) continue;
      written.add(english);
      catalogue[english] = known.get(english) ?? '';
      if (catalogue[english] === '') empty++;
    }
    writeFileSync(join(folder, `${room}.json`), `${JSON.stringify(catalogue, null, 2)}\n`);
  }
  console.log(`${language}: ${written.size} sentences, ${empty} to be translated`);
}
