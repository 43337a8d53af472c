/**
 * `npm run bench [-- PART …]`: the figures of speed, on built code; what was measured is written to `docs/figures.md`, where the
 * parts that were not run stay as they were.
 */
import { spawn } from 'node:child_process';
import { once } from 'node:events';
import { existsSync, readFileSync, writeFileSync } from 'node:fs';
import { cpus } from 'node:os';
import { join } from 'node:path';
import { ensureBuild, ensureNodeBuild, ensurePackages, root } from './setup.mjs';

const built = (file) => [join(root, `dist/node/${file}.js`)];
const compiled = (file) => ['--import', 'tsx', join(root, `bench/${file}.ts`)];
/** What is measured, with the arguments of Node that run it. */
const PARTS = new Map([
  ['core', built('bench')],
  ['sweep', built('sweep')],
  ['growth', compiled('growth')],
  ['server', compiled('server')],
  ['firstLoad', compiled('firstLoad')],
  ['changes', compiled('browser')],
  ['shelfAndBatch', compiled('again')],
  ['orders', compiled('orders')],
  ['sweepBrowser', compiled('sweepBrowser')],
  ['service', compiled('service')],
]);
const FIGURES = join(root, 'docs/figures.md');

const wanted = process.argv.slice(2);
const unknown = wanted.find((part) => !PARTS.has(part));
if (unknown !== undefined) {
  console.error(`There is no part ${unknown}: ${[...PARTS.keys()].join(', ')}.`);
  process.exit(2);
}
ensurePackages();
ensureBuild();
ensureNodeBuild();

/** By part, what the file says: when and where it was measured, and the lines. */
const told = new Map(
  [...(existsSync(FIGURES) ? readFileSync(FIGURES, 'utf8') : '').matchAll(/^## (\w+)\n\n([\s\S]*?\n```\n[\s\S]*?\n```)\n/gm)].map(
    ([, part, text]) => [part, text],
  ),
);
for (const [part, args] of PARTS) {
  if (wanted.length > 0 && !wanted.includes(part)) continue;
  const bench = spawn(process.execPath, args, { cwd: root, stdio: ['ignore', 'pipe', 'inherit'] });
  let lines = '';
  bench.stdout.on('data', (text) => {
    process.stdout.write(text);
    lines += text;
  });
  const [status] = await once(bench, 'close');
  if (status !== 0) process.exit(status ?? 1);
  const where = `Node ${process.versions.node}, ${cpus().length} processors, ${new Date().toISOString().slice(0, 10)}`;
  const figures = lines.split('\n').map((line) => line.trimEnd());
  told.set(part, `${where}:\n\n\`\`\`\n${figures.join('\n').trim()}\n\`\`\``);
}
const sections = [...PARTS.keys()].flatMap((part) => (told.has(part) ? [`## ${part}\n\n${told.get(part)}\n`] : []));
writeFileSync(
  FIGURES,
  `# Figures\n\nWritten by \`npm run bench\`, or a part of it by \`npm run bench -- orders\`. Each line says whether its limit holds.\n\n${sections.join('\n')}`,
);
