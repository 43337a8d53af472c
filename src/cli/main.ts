import { Command, CommanderError } from 'commander';
import { CHECKS } from '../core/steps/check/checks/list.ts';
import { FORMS } from '../core/steps/write/forms/list.ts';
import { SETTINGS } from '../core/known/settings/list.ts';
import { batch } from './batch.ts';
import { check } from './check.ts';
import { embed } from './embed.ts';
import { hosts } from './hosts.ts';
import { UsageError } from './io.ts';
// Loaded when they are asked for: the others begin sooner.
import type { order } from './order.ts';
import type { sweep } from './sweep.ts';
import type { teach } from './teach.ts';
import { read } from './read.ts';

/** The command line: a thin face over the core. Exit 0 done, 1 not recognised or a check failed, 2 wrong use. */
const program = new Command('refenestra').description('Turns share links and embed codes into embed code.').exitOverride();
const collect = (value: string, before: string[]): string[] => [...before, value];
const withJson = (command: Command): Command => command.option('--json', 'plain data instead of sentences');
const withHosts = (command: Command): Command => command.option('--hosts <folder>', 'folder with host cards');

let status = 0;
const run =
  <Args extends unknown[]>(action: (...args: Args) => number | Promise<number>) =>
  async (...args: Args): Promise<void> => {
    status = await action(...args);
  };

const withAsking = (command: Command): Command =>
  command
    .option('--ask <address>', 'asks the hosts, through the Refenestra that runs there')
    .option('--providers <file>', 'with --ask: oEmbed providers, in the format of their registry');

withHosts(withJson(program.command('read')))
  .description('what the text holds: links and codes, and what each is')
  .argument('[text]', 'the text, or - for standard input', '-')
  .action(run(read));
withAsking(withHosts(withJson(program.command('embed'))))
  .description('embed code for a link or a code')
  .option('--set <name=value>', 'a setting; may be given several times', collect, [])
  .option('--site <file>', 'a site, as JSON')
  .option('--form <name>', 'form of code', 'responsive')
  .option('--keep-running', 'keeps code that runs in what was pasted')
  .argument('[text]', 'the text, or - for standard input', '-')
  .action(run(embed));
withHosts(withJson(program.command('check')))
  .description('what would go wrong with each embed of a code or a page')
  .option('--site <file>', 'a site, as JSON')
  .argument('[text]', 'the text, or - for standard input', '-')
  .action(run(check));
withAsking(withHosts(program.command('batch')))
  .description('embed code for every link of a CSV file, a list or a feed')
  .option('--site <file>', 'a site, as JSON')
  .option('--style <file>', 'the house style of the site, as JSON')
  .option('--out <folder>', 'writes one file a row there, and batch.csv')
  .argument('<file>', 'the file')
  .action(run(batch));
withHosts(withJson(program.command('hosts')))
  .description('validates the host cards')
  .option('--prove', 'runs the examples of each card')
  .option('--site <file>', 'with --ask: the site that the frames are for, as JSON')
  .option('--ask <address>', 'with --prove: asks for their frames, through the Refenestra that runs there')
  .action(run(hosts));

withHosts(withJson(program.command('teach')))
  .description('works out a host card from links, codes and codes with settings')
  .option('--card <file>', 'what is known of the host already, as a host card')
  .argument('<file>', 'the examples, as JSON')
  .action(run(async (...args: Parameters<typeof teach>) => (await import('./teach.ts')).teach(...args)));

withHosts(program.command('order'))
  .description('a page that plays a running order, a playlist or a feed as one')
  .option('--newest <number>', 'only so many of the newest entries')
  .option('--layout <name>', 'beside, below, strip or one')
  .option('--as <format>', 'page, or a format: rss, atom, json-feed, xspf, m3u, csv', 'page')
  .option('--form <name>', 'the code in the place of the page: whole, file, script or inline')
  .option('--address <address>', 'where the page will stand, for the form file')
  .option('--text', 'with its text and structured data around the code')
  .option('--transcripts', 'fetches the transcripts and chapters that the feed names')
  .option('--order <file>', 'keeps the running order there; what is new comes in the next time')
  .option('--site <file>', 'the site that the page is for, as JSON')
  .option('--out <file>', 'writes it there')
  .argument('<source>', 'a file, or the address of a feed')
  .action(run(async (...args: Parameters<typeof order>) => (await import('./order.ts')).order(...args)));

withHosts(program.command('sweep'))
  .description('every embed of a site: what is wrong with it, and what the rules make of it')
  .option('--site <file>', 'the site, as JSON')
  .option('--style <file>', 'the house style of the site, as JSON, laid over what the code says')
  .option('--rules <file>', 'what is put right, as JSON')
  .option('--fix', 'writes the changes')
  .option('--patch <file>', 'writes the changes as a unified diff')
  .option('--report <file>', 'writes what was found, as .json, .csv or .html')
  .option('--since <file>', 'tells what is otherwise than in an earlier report')
  .option('--max-warnings <number>', 'so many warnings are no failure', '0')
  .option('--ask <address>', 'for a site: reads it through the Refenestra that runs there')
  .argument('<source>', 'a folder, a zip, a file, or the address of a site')
  .action(run(async (...args: Parameters<typeof sweep>) => (await import('./sweep.ts')).sweep(...args)));

const listing = (name: string, description: string, rows: readonly { id: string; text: string }[]): void => {
  withJson(program.command(name))
    .description(description)
    .action(({ json }: { json?: boolean }) =>
      console.log(json ? JSON.stringify(rows, null, 2) : rows.map((r) => `${r.id.padEnd(18)} ${r.text}`).join('\n')),
    );
};
listing(
  'settings',
  'lists the settings',
  SETTINGS.map(({ id, label, help }) => ({ id, text: `${label}. ${help}` })),
);
listing(
  'forms',
  'lists the forms of code',
  FORMS.map(({ id, label, help }) => ({ id, text: `${label}. ${help}` })),
);
listing(
  'checks',
  'lists the checks',
  CHECKS.map(({ id, about }) => ({ id, text: about })),
);

try {
  await program.parseAsync();
} catch (error) {
  if (error instanceof CommanderError) status = error.exitCode === 0 ? 0 : 2;
  else if (error instanceof UsageError) {
    console.error(error.message);
    status = 2;
  } else throw error;
}
process.exitCode = status;
