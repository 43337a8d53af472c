import type { CrawlLeft } from '../core/many/sweep/crawled.ts';
import type { LeftWhy } from '../core/many/sweep/found.ts';
import type { HostNumbers, Numbers } from '../core/many/sweep/numbers.ts';
import type { Since } from '../core/many/sweep/report.ts';
import type { Finding } from '../core/steps/check/finding.ts';
import { sayFinding } from './findings.ts';
import { sayRefusal } from './reading.ts';
import { t } from './t.ts';

/** What a check finds, in few words: the first sentence of one of its findings. */
export const sayShortly = (finding: Finding): string => sayFinding(finding).replace(/[.:;](?:\s.*)?$/s, '');

const LEFT: { readonly [Code in LeftWhy['code']]: (why: Extract<LeftWhy, { code: Code }>) => string } = {
  notRead: ({ refusal }) => sayRefusal(refusal),
  inScript: () => t('This code stands in a script, which makes it when the page runs. Change it there by hand.'),
  inTemplate: () => t('An expression of a template stands in this code, or around it. Change it in the template.'),
  notPlain: () => t('This code is cut off, escaped twice or broken, so it cannot be changed safely. Open it on the Bench.'),
  cannotStand: () => t('The new code cannot stand there: the cell of this table has no quotes around it.'),
  notTheSame: () => t('With the change this would be read as something else, so it was left as it is. Open it on the Bench.'),
  encoding: ({ encoding }) => t('This file cannot be written back without loss ({encoding}), so it is only read.', { encoding }),
  tooLong: () => t('This file is too long to be looked into.'),
};

/** Names files whose changes a patch can't hold. */
export const sayNoPatch = (files: string): string =>
  t('Not in the patch, because of its encoding: {files}. Save the changed files instead.', { files });

/** Why something is not touched. */
export const sayLeft = (why: LeftWhy): string => (LEFT[why.code] as (why: LeftWhy) => string)(why);

/** What was found, in one sentence. */
export function sayNumbers({ files, embeds, items, hosts, findings }: Numbers): string {
  if (embeds === 0) return t('Nothing is embedded in {files, plural, one {# file} other {# files}}.', { files });
  const errors = findings.filter(({ severity }) => severity === 'error').reduce((all, { places }) => all + places, 0);
  return errors > 0
    ? t(
        '{embeds, plural, one {# embed} other {# embeds}} of {items, plural, one {# item} other {# items}} from {hosts, plural, one {# host} other {# hosts}} in {files, plural, one {# file} other {# files}}, {errors, plural, one {# error} other {# errors}}.',
        { embeds, items, hosts: hosts.length, files, errors },
      )
    : t(
        '{embeds, plural, one {# embed} other {# embeds}} of {items, plural, one {# item} other {# items}} from {hosts, plural, one {# host} other {# hosts}} in {files, plural, one {# file} other {# files}}.',
        { embeds, items, hosts: hosts.length, files },
      );
}

/** A page of a site by its path, and a file by its name. */
export const sayFile = (file: string): string => file.replace(/^https?:\/\/[^/]+(?=\/)/, '');

/** The name of a host by its id, where a card has it. */
export type HostName = (host: string) => string | undefined;

export const sayHost = ({ host }: Pick<HostNumbers, 'host'>, nameOf: HostName): string =>
  host === null ? t('no known host') : (nameOf(host) ?? host);

/** Why pages of a site were not read, each reason with how many. */
const CRAWL: { readonly [Why in CrawlLeft]: string } = {
  robots: t('robots.txt forbids'),
  elsewhere: t('lead to another site'),
  endless: t('seem to go on without end'),
  status: t('are not there'),
  scheme: t('are no web addresses'),
  credentials: t('hold a password'),
  port: t('are at a port that is not asked'),
  privateAddress: t('are within a private network'),
  nameUnknown: t('have a name that nobody knows'),
  redirects: t('lead in a ring'),
  tooSlow: t('did not answer in time'),
  tooLarge: t('are too large'),
  wrongType: t('are no pages'),
  noAnswer: t('did not answer'),
};

export function sayCrawl(left: readonly CrawlLeft[]): string {
  const counts = new Map<CrawlLeft, number>();
  for (const why of left) counts.set(why, (counts.get(why) ?? 0) + 1);
  return t('Not read: {reasons}.', {
    reasons: [...counts].map(([why, many]) => t('{many} that {what}', { many, what: CRAWL[why] })).join(', '),
  });
}

/** How reading a site came to its end. */
export const sayCrawlEnd = (why: 'done' | 'most' | 'time'): string =>
  ({
    done: t('Every page that the site names was read.'),
    most: t('The site has more pages than are read at once.'),
    time: t('The site has more pages than could be read in time.'),
  })[why];

/** What is otherwise than at an earlier sweep. */
export const saySince = ({ appeared, putRight, come, gone }: Since): string =>
  t(
    'Since the earlier sweep: {appeared, plural, one {# new finding} other {# new findings}}, {putRight, plural, one {# finding} other {# findings}} put right, {come, plural, one {# embed} other {# embeds}} more, {gone, plural, one {# embed} other {# embeds}} fewer.',
    { appeared: appeared.length, putRight: putRight.length, come, gone },
  );
