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

/** Builds what browsers load, unless nothing has changed since the last build. */
export function ensureBuild() {
  const built = statSync(join(root, 'dist', 'index.html'), { throwIfNoEntry: false })?.mtimeMs ?? 0;
  const sources = [
    'index.html',
    'preview.html',
    'vite.config.ts',
    'package-lock.json',
    ...readdirSync(join(root, 'src'), { recursive: true }).map((file) => join('src', file)),
  ];
  if (sources.every((file) => statSync(join(root, file)).mtimeMs < built)) return;
  console.error('Building …');
  run(process.execPath, [join(root, 'node_modules/vite/bin/vite.js'), 'build', '--logLevel', 'error'], {
    stdio: ['ignore', 2, 2],
  });
}
