/** What every command needs first: installed packages, as the lock file says. */
import { spawnSync } from 'node:child_process';
import { createHash } from 'node:crypto';
import { existsSync, mkdirSync, readdirSync, readFileSync, statSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';

export const root = join(import.meta.dirname, '..');
const stampFolder = join(root, 'node_modules', '.refenestra');

/** Runs a command and ends with its status when it fails. */
export function run(command, args, options = {}) {
  const { status, error } = spawnSync(command, args, { cwd: root, stdio: 'inherit', ...options });
  if (error) throw error;
  if (status !== 0) process.exit(status ?? 1);
}

export function ensurePackages() {
  const lock = createHash('sha256')
    .update(readFileSync(join(root, 'package-lock.json')))
    .digest('hex');
  const stamp = join(stampFolder, 'packages');
  if (existsSync(stamp) && readFileSync(stamp, 'utf8') === lock) return;
  console.error('Installing packages …');
  run('npm', ['ci', '--no-audit', '--no-fund', '--loglevel=error'], { stdio: ['ignore', 2, 2] });
  mkdirSync(stampFolder, { recursive: true });
  writeFileSync(stamp, lock);
}

/** Installs Debian packages whose program is missing. */
export function ensurePrograms(wanted) {
  const missing = Object.entries(wanted).filter(([program]) => spawnSync('which', [program]).status !== 0);
  if (missing.length === 0) return;
  const names = missing.map(([, name]) => name);
  console.error(`Installing ${names.join(', ')} …`);
  const quiet = { stdio: ['ignore', 'ignore', 2], env: { ...process.env, DEBIAN_FRONTEND: 'noninteractive' } };
  run('apt-get', ['update', '-qq'], quiet);
  run('apt-get', ['install', '-y', '-qq', '--no-install-recommends', ...names], quiet);
}

/** Runs a TypeScript file in a process of its own. */
export function runTypeScript(file, args = [], options = {}) {
  run(process.execPath, ['--import', 'tsx', file, ...args], options);
}

/** When the newest of the files in a folder was changed, in milliseconds; every command waits for it. */
function newestIn(folder) {
  const times = readdirSync(folder, { withFileTypes: true }).map((entry) => {
    const path = `${folder}/${entry.name}`;
    return entry.isDirectory() ? newestIn(path) : statSync(path).mtimeMs;
  });
  return Math.max(0, ...times);
}

/** What the builds are made from. */
function newestSource(more) {
  const files = ['package-lock.json', ...more].map((file) => statSync(join(root, file)).mtimeMs);
  return Math.max(newestIn(join(root, 'src')), ...files);
}

/** Builds anew unless nothing has changed since the last build. */
function ensureBuilt(file, config, more = []) {
  const built = statSync(join(root, 'dist', file), { throwIfNoEntry: false })?.mtimeMs ?? 0;
  if (newestSource([config, ...more]) < built) return;
  console.error('Building …');
  const vite = join(root, 'node_modules/vite/bin/vite.js');
  run(process.execPath, [vite, 'build', '--config', config, '--logLevel', 'error'], {
    stdio: ['ignore', 2, 2],
    // Whoever builds, a test among them: what browsers load is the same.
    env: { ...process.env, NODE_ENV: 'production' },
  });
}

/** What browsers load. */
export const ensureBuild = () => ensureBuilt('web/index.html', 'vite.config.ts', ['index.html', 'preview.html']);

/** What runs without a compiler. */
export const ensureNodeBuild = () => ensureBuilt('node/cli.js', 'vite.node.config.ts', ['bench/main.ts', 'bench/sweep.ts']);
