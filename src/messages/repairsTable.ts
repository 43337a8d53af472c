import { REPAIR_CASES } from '../core/steps/read/repairs.cases.ts';
import { sayRepair } from './reading.ts';

const code = (text: string): string => `\`\` ${text.replace(/\n/g, '⏎').replaceAll('|', '\\|')} \`\``;

/** The page of `docs/` that lists every repair, made of the tests' own cases. */
export function repairsTable(): string {
  const rows = Object.entries(REPAIR_CASES).flatMap(([id, cases]) =>
    cases.map(({ text, address }, i) => {
      const words = i === 0 ? sayRepair({ code: id as never, was: '', now: '' }) : '';
      return `| ${i === 0 ? `\`${id}\`` : ''} | ${words} | ${code(text)} | ${code(address)} |`;
    }),
  );
  return [
    '# What reading puts right',
    '',
    'Made by `npm run formats` from the cases that the tests run (`src/core/steps/read/repairs.cases.ts`). ⏎ is a line break.',
    'Each repair is told on the Bench, in the Anatomy, and by `cli -- read`.',
    '',
    '| repair | what the publisher is told | pasted | address |',
    '| --- | --- | --- | --- |',
    ...rows,
    '',
  ].join('\n');
}
