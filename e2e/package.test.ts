import { execFileSync } from 'node:child_process';
import { mkdtempSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { expect, test } from 'vitest';

const root = join(import.meta.dirname, '..');

const PROGRAM = `import { readFileSync } from 'node:fs';
import { bringIn, loadCards, makeBook, makeEmbed, sayFinding, type HostBook } from 'refenestra';

const { cards } = loadCards([{ name: 'lanternreel.json', text: readFileSync(process.argv[2]!, 'utf8') }]);
const book: HostBook = makeBook(cards);
const [found] = bringIn('http://lanternreel.localhost:4600/see/k7wq2m9d', book);
const { code, findings } = makeEmbed(found!.item!, { start: 42 }, { book, site: null, form: 'responsive', facts: {} });
console.log(code.text, findings.map((finding) => sayFinding(finding)).join(' '));
// @ts-expect-error there is no such form
export const wrong = () => makeEmbed(found!.item!, {}, { book, site: null, form: 'hologram', facts: {} });
`;

test('the package installs in an empty project, where its types hold, and library and command line work', () => {
  execFileSync(process.execPath, [join(root, 'scripts/package.mjs')], { stdio: 'ignore' });
  const { version } = JSON.parse(readFileSync(join(root, 'package.json'), 'utf8')) as { version: string };
  const folder = mkdtempSync(join(tmpdir(), 'package-'));
  const run = (command: string, args: string[]): string => execFileSync(command, args, { cwd: folder, encoding: 'utf8' });
  writeFileSync(join(folder, 'package.json'), JSON.stringify({ name: 'site', private: true, type: 'module' }));
  run('npm', [
    'install',
    '--prefer-offline',
    '--no-audit',
    '--no-fund',
    '--silent',
    join(root, `dist/refenestra-${version}.tgz`),
  ]);
  writeFileSync(join(folder, 'use.ts'), PROGRAM);
  const types = ['--strict', '--module', 'nodenext', '--target', 'es2023', '--types', 'node'];
  const roots = ['--typeRoots', join(root, 'node_modules/@types'), '--skipLibCheck', 'false'];
  run(process.execPath, [join(root, 'node_modules/typescript/bin/tsc'), ...types, ...roots, 'use.ts']);
  const card = join(folder, 'node_modules/refenestra/demo/hosts/lanternreel.json');
  expect(run(process.execPath, ['use.js', card])).toMatch(/<iframe src="[^"]*\?from=42"[^]*The frame has no title/);
  const made = run('npx', ['refenestra', 'read', 'http://lanternreel.localhost:4600/see/k7wq2m9d', '--json']);
  expect(made).toContain('"lanternreel"');
  rmSync(folder, { recursive: true });
});
