/** `npm test`: installs what is missing, then checks format, lint, types, imports and dead code, and runs all tests. */
import { spawn, spawnSync } from 'node:child_process';
import { once } from 'node:events';
import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import { ensureBuild, ensureNodeBuild, ensurePackages, ensurePrograms, root } from './setup.mjs';

ensurePackages();
ensurePrograms({
  chromium: 'chromium',
  'chromium-headless-shell': 'chromium-headless-shell',
  java: 'default-jre-headless',
  'firefox-esr': 'firefox-esr',
  // Firefox plays H.264 and AAC by its libraries.
  ffmpeg: 'ffmpeg',
  WebKitWebDriver: 'webkit2gtk-driver',
  Xvfb: 'xvfb',
  git: 'git',
  patch: 'patch',
  nginx: 'nginx-light',
  'redis-server': 'redis-server',
  openssl: 'openssl',
  'systemd-analyze': 'systemd',
});
ensureBuild();
ensureNodeBuild();

const bin = (path) => join(root, 'node_modules', path);
const checks = {
  format: [bin('prettier/bin/prettier.cjs'), '--check', '--log-level', 'warn', '.'],
  lint: [bin('eslint/bin/eslint.js'), '.', '--max-warnings', '0'],
  types: [bin('typescript/bin/tsc'), '-p', root],
  imports: [bin('dependency-cruiser/bin/dependency-cruise.mjs'), 'src', '--config', '.dependency-cruiser.cjs'],
  'dead code': [bin('knip/bin/knip.js'), '--no-config-hints', '--no-progress'],
};

let passed = 0;
let failed = 0;
const checking = Object.entries(checks).map(async ([name, args]) => {
  const check = spawn(process.execPath, args, { cwd: root, stdio: ['ignore', 2, 2] });
  const [status] = await once(check, 'close');
  console.error(`${status === 0 ? 'passed' : 'FAILED'}: ${name}`);
  if (status === 0) passed++;
  else failed++;
});
await Promise.all(checking);

const report = join(root, 'node_modules', '.refenestra', 'tests.json');
const vitest = [bin('vitest/vitest.mjs'), 'run', '--reporter=default', '--reporter=json', `--outputFile.json=${report}`];
const { status } = spawnSync(process.execPath, vitest, { cwd: root, stdio: ['ignore', 2, 2] });
const tests = JSON.parse(readFileSync(report, 'utf8'));
passed += tests.numPassedTests;
failed += tests.numFailedTests + (status !== 0 && tests.numFailedTests === 0 ? 1 : 0);

console.log(`${passed} passed, ${failed} failed`);
process.exit(failed === 0 ? 0 : 1);
