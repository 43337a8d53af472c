/** `npm run bench`: the figures of speed, on built code; what was measured is written to `docs/figures.md`. */
import { spawn } from 'node:child_process';
import { once } from 'node:events';
import { writeFileSync } from 'node:fs';
import { cpus } from 'node:os';
import { join } from 'node:path';
import { ensureBuild, ensureNodeBuild, ensurePackages, root } from './setup.mjs';

ensurePackages();
ensureBuild();
ensureNodeBuild();
const compiled = ['server', 'firstLoad', 'browser', 'again', 'sweepBrowser'].map((file) => [
  '--import',
  'tsx',
  join(root, `bench/${file}.ts`),
]);
let told = '';
for (const args of [[join(root, 'dist/node/bench.js')], [join(root, 'dist/node/sweep.js')], ...compiled]) {
  const bench = spawn(process.execPath, args, { cwd: root, stdio: ['ignore', 'pipe', 'inherit'] });
  bench.stdout.on('data', (text) => {
    process.stdout.write(text);
    told += text;
  });
  const [status] = await once(bench, 'close');
  if (status !== 0) process.exit(status ?? 1);
}
const figures = told.split('\n').map((line) => line.trimEnd());
const where = `Node ${process.versions.node}, ${cpus().length} processors, ${new Date().toISOString().slice(0, 10)}`;
writeFileSync(
  join(root, 'docs/figures.md'),
  `# Figures\n\nWritten by \`npm run bench\` (${where}). Each line says whether its limit holds.\n\n\`\`\`\n${figures.join('\n').trim()}\n\`\`\`\n`,
);
