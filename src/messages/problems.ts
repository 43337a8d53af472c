import type { z } from 'zod';
import { language, sentence } from './language.ts';
import { t } from './t.ts';

const QUOTED = /"([^"]*)"/;
const DEEP = /^it nests deeper than (\d+) levels$/;
const NOT_JSON = /^it is not JSON: /;

/**
 * Why something that was read is not right, as the schemas of the core say it, in the language of the reader. Their words are
 * in the catalogue with a name in quotes as `{name}`; what Zod says itself comes in the language that was set for it, and
 * what an engine says of JSON has no other language than its own.
 */
export function sayProblem(message: string): string {
  const [, levels] = DEEP.exec(message) ?? [];
  if (levels !== undefined) return t('it nests deeper than {levels} levels', { levels });
  if (NOT_JSON.test(message)) return language() === 'en' ? message : t('it is not JSON');
  const [, name] = QUOTED.exec(message) ?? [];
  return name === undefined ? sentence(message) : sentence(message.replace(QUOTED, '"{name}"')).replace('{name}', () => name);
}

/** The first thing that is not right in what was read: where, and why. */
export function firstProblem({ issues }: z.ZodError): { path: string; issue: string } {
  const [first] = issues;
  return { path: first!.path.join('.') || t('its top'), issue: sayProblem(first!.message) };
}
