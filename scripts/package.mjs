/** `npm run package`: the core and the command line as a package of their own, built to plain JavaScript, in `dist/package`. */
import { chmodSync, cpSync, mkdirSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { ensurePackages, root, run } from './setup.mjs';

ensurePackages();
const to = join(root, 'dist/package');
rmSync(to, { recursive: true, force: true });
const quiet = { stdio: ['ignore', 2, 2] };
const bin = (path) => join(root, 'node_modules', path);
run(process.execPath, [bin('vite/bin/vite.js'), 'build', '--config', 'vite.package.config.ts', '--logLevel', 'error'], quiet);
run(process.execPath, [bin('typescript/bin/tsc'), '-p', 'tsconfig.package.json'], quiet);

const { name, version, description, license, engines, dependencies } = JSON.parse(
  readFileSync(join(root, 'package.json'), 'utf8'),
);
const cli = join(to, 'lib/cli.js');
writeFileSync(cli, `#!/usr/bin/env node\n${readFileSync(cli, 'utf8')}`);
chmodSync(cli, 0o755);
// What the command line knows where nobody names other cards.
mkdirSync(join(to, 'demo'));
cpSync(join(root, 'demo/hosts'), join(to, 'demo/hosts'), { recursive: true });
for (const file of ['items.json', 'sites.json']) cpSync(join(root, 'demo', file), join(to, 'demo', file));
cpSync(join(root, 'docs/library.md'), join(to, 'README.md'));
cpSync(join(root, 'LICENSE'), join(to, 'LICENSE'));
const described = {
  name,
  version,
  description,
  license,
  type: 'module',
  engines,
  exports: { '.': { types: './types/programs/library.d.ts', default: './lib/index.js' } },
  bin: { [name]: './lib/cli.js' },
  files: ['lib', 'types', 'demo'],
  dependencies: { zod: dependencies.zod },
};
writeFileSync(join(to, 'package.json'), `${JSON.stringify(described, null, 2)}\n`);
run('npm', ['pack', '--silent', '--pack-destination', join(root, 'dist')], { ...quiet, cwd: to });
