import type { CrawlLeft } from '../core/many/sweep/crawled.ts';
import type { LeftWhy } from '../core/many/sweep/found.ts';
import type { HostNumbers, Numbers } from '../core/many/sweep/numbers.ts';
import type { Since } from '../core/many/sweep/report.ts';
import type { Finding } from '../core/steps/check/finding.ts';
import { sayFinding, sayRefusal } from './en.ts';

/** What a check finds, in few words: the first sentence of one of its findings. */
export const sayShortly = (finding: Finding): string => sayFinding(finding).replace(/[.:;](?:\s.*)?$/s, '');

/** A number with its noun. */
export const count = (number: number, one: string, several = `${one}s`): string =>
  `${number.toLocaleString('en')} ${number === 1 ? one : several}`;

const LEFT: { readonly [Code in LeftWhy['code']]: (why: Extract<LeftWhy, { code: Code }>) => string } = {
  notRead: ({ refusal }) => sayRefusal(refusal),
  inScript: () => 'This code stands in a script, which makes it when the page runs. Change it there by hand.',
  inTemplate: () => 'An expression of a template stands in this code, or around it. Change it in the template.',
  notPlain: () => 'This code is cut off, escaped twice or broken, so it cannot be changed safely. Open it on the Bench.',
  cannotStand: () => 'The new code cannot stand there: the cell of this table has no quotes around it.',
  notTheSame: () => 'With the change this would be read as something else, so it was left as it is. Open it on the Bench.',
  encoding: ({ encoding }) => `This file cannot be written back without loss (${encoding}), so it is only read.`,
  tooLong: () => 'This file is too long to be looked into.',
};

/** Why something is not touched. */
export const sayLeft = (why: LeftWhy): string => (LEFT[why.code] as (why: LeftWhy) => string)(why);

/** What was found, in one sentence. */
export function sayNumbers({ files, embeds, items, hosts, findings }: Numbers): string {
  if (embeds === 0) return `Nothing is embedded in ${count(files, 'file')}.`;
  const errors = findings.filter(({ severity }) => severity === 'error').reduce((all, { places }) => all + places, 0);
  return `${count(embeds, 'embed')} of ${count(items, 'item')} from ${count(hosts.length, 'host')} in ${count(files, 'file')}${errors > 0 ? `, ${count(errors, 'error')}` : ''}.`;
}

/** The name of a host by its id, where a card has it. */
export type HostName = (host: string) => string | undefined;

export const sayHost = ({ host }: Pick<HostNumbers, 'host'>, nameOf: HostName): string =>
  host === null ? 'no known host' : (nameOf(host) ?? host);

/** Why pages of a site were not read, each reason with how many. */
const CRAWL: { readonly [Why in CrawlLeft]: string } = {
  robots: 'robots.txt forbids',
  elsewhere: 'lead to another site',
  endless: 'seem to go on without end',
  status: 'are not there',
  scheme: 'are no web addresses',
  credentials: 'hold a password',
  port: 'are at a port that is not asked',
  privateAddress: 'are within a private network',
  nameUnknown: 'have a name that nobody knows',
  redirects: 'lead in a ring',
  tooSlow: 'did not answer in time',
  tooLarge: 'are too large',
  wrongType: 'are no pages',
  noAnswer: 'did not answer',
};

export function sayCrawl(left: readonly CrawlLeft[]): string {
  const counts = new Map<CrawlLeft, number>();
  for (const why of left) counts.set(why, (counts.get(why) ?? 0) + 1);
  return `Not read: ${[...counts].map(([why, many]) => `${many} that ${CRAWL[why]}`).join(', ')}.`;
}

/** How reading a site came to its end. */
export const sayCrawlEnd = (why: 'done' | 'most' | 'time'): string =>
  ({
    done: 'Every page that the site names was read.',
    most: 'The site has more pages than are read at once.',
    time: 'The site has more pages than could be read in time.',
  })[why];

/** What is otherwise than at an earlier sweep. */
export const saySince = ({ appeared, putRight, come, gone }: Since): string =>
  `Since the earlier sweep: ${count(appeared.length, 'new finding')}, ${count(putRight.length, 'finding')} put right, ${count(come, 'embed')} more, ${count(gone, 'embed')} fewer.`;
