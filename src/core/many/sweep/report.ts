import { z } from 'zod';
import { writeTable } from '../batch/table.ts';
import type { SweptFile } from './found.ts';

/** A sweep as plain data, for programs: ranges in UTF-16 units of the decoded file. */
export const reportSchema = z.strictObject({
  format: z.literal('refenestra-sweep/1'),
  /** How many files were looked into. */
  files: z.number(),
  embeds: z.array(
    z.strictObject({
      file: z.string(),
      line: z.number(),
      range: z.tuple([z.number(), z.number()]),
      source: z.string(),
      kind: z.string(),
      host: z.string().nullable(),
      item: z.string(),
      findings: z.array(z.string()),
      changed: z.boolean(),
    }),
  ),
  links: z.array(z.strictObject({ file: z.string(), line: z.number(), host: z.string(), item: z.string() })),
  left: z.array(z.strictObject({ file: z.string(), line: z.number(), why: z.string() })),
});
export type Report = z.infer<typeof reportSchema>;

/** `written`: whether the changes were, so that only findings that stay are told. */
export function reportOf(files: readonly SweptFile[], written: boolean): Report {
  return {
    format: 'refenestra-sweep/1',
    files: files.length,
    embeds: files.flatMap((one) =>
      one.embeds.map(({ file, line, range: [from, to], source, kind, host, item, findings, change }) => ({
        file,
        line,
        range: [from, to] as [number, number],
        source,
        kind,
        host,
        item,
        findings: [...new Set(findings.map(({ code }) => code))].filter((code) => !written || !change?.ends.includes(code)),
        changed: change !== null,
      })),
    ),
    links: files.flatMap(({ links }) => links),
    left: files.flatMap(({ left }) => left.map(({ file, line, why }) => ({ file, line, why: why.code }))),
  };
}

const HEAD = ['file', 'line', 'host', 'kind', 'item', 'findings', 'changed'];

/** One row for each embed. */
export const tableOf = ({ embeds }: Report): string =>
  writeTable(
    HEAD,
    embeds.map(({ file, line, host, kind, item, findings, changed }) => [
      file,
      String(line),
      host ?? '',
      kind,
      item,
      findings.join(' '),
      changed ? 'yes' : 'no',
    ]),
    // Names and addresses are of others: a spreadsheet gets none to reckon.
    { delimiter: ',', from: 'feed' },
  );

/** What is new since an earlier sweep, and what was put right: findings by file, item and check. */
export interface Since {
  appeared: readonly string[];
  putRight: readonly string[];
  /** Embeds that were not there, and those that are there no longer. */
  come: number;
  gone: number;
}

const keysOf = ({ embeds }: Report): Set<string> =>
  new Set(embeds.flatMap(({ file, item, findings }) => findings.map((code) => `${file}: ${code} (${item})`)));
const placesOf = ({ embeds }: Report): Set<string> => new Set(embeds.map(({ file, item }) => `${file} ${item}`));
const without = (all: ReadonlySet<string>, some: ReadonlySet<string>): string[] => [...all].filter((one) => !some.has(one));

/** The later sweep against the earlier one. */
export function since(before: Report, now: Report): Since {
  const [had, has] = [keysOf(before), keysOf(now)];
  const [were, are] = [placesOf(before), placesOf(now)];
  return {
    appeared: without(has, had),
    putRight: without(had, has),
    come: without(are, were).length,
    gone: without(were, are).length,
  };
}
