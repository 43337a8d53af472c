import fc from 'fast-check';
import { execFileSync } from 'node:child_process';
import { expect, test } from 'vitest';
import { asCommand } from './asCommand.ts';

/** What a shell makes of the words of a command. */
const wordsOf = (command: string): string[] =>
  execFileSync('sh', ['-c', `curl() { printf '%s\\0' "$@"; }; ${command}`], { encoding: 'utf8' })
    .split('\0')
    .slice(0, -1);

test('a shell hands on what was written, whatever it holds', () => {
  const text = fc.string({ unit: fc.constantFrom(...`ab "'$\`\\!;&|<>(){}*?~#=%é☂`) });
  fc.assert(
    fc.property(text, (value) => {
      const body = JSON.stringify({ text: value });
      expect(JSON.parse(wordsOf(asCommand('http://localhost:4600/api/read', body, '')).at(-1)!)).toEqual({ text: value });
    }),
    { numRuns: 60 },
  );
});

test('lines are joined, and a key is not written down', () => {
  const command = asCommand('http://localhost:4600/api/read', '{\n  "text": "x"\n}', 'secret');
  expect(command).not.toMatch(/\n|secret/);
  expect(wordsOf(command)).toContain('Authorization: Bearer KEY');
});
