import { SEVERITY_WORDS } from './severity.ts';
import { CHECKS } from '../core/steps/check/checks/list.ts';

/** The pages of `docs/checks/`, by file name: one for each check, and their list, from the metadata of the checks. */
export function checkPages(): Record<string, string> {
  const pages: Record<string, string> = {};
  for (const { id, severity, holds, about } of CHECKS)
    pages[`${id}.md`] = [
      `# ${id}`,
      '',
      `When nothing is found: *${holds}*. What is found counts as “${SEVERITY_WORDS[severity]}”.`,
      '',
      about,
      '',
    ].join('\n');
  const rows = CHECKS.map(({ id, severity, holds }) => `| [${id}](${id}.md) | ${SEVERITY_WORDS[severity]} | ${holds} |`);
  pages['README.md'] = [
    '# Checks',
    '',
    'Made by `npm run formats` from the checks themselves (`src/core/steps/check/checks/`).',
    '',
    '| check | what is found counts as | when nothing is found |',
    '| --- | --- | --- |',
    ...rows,
    '',
  ].join('\n');
  return pages;
}
