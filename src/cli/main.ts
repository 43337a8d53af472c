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
import { HELP, OUTPUT } from './words.ts';
import { t } from '../messages/t.ts';
import { labelOf, helpOf, formLabelOf, formHelpOf } from '../messages/labels.ts';

/** The command line: a thin face over the core. Exit 0 done, 1 not recognised or a check failed, 2 wrong use. */
const program = new Command('refenestra')
  .description(t('Turns share links and embed codes into embed code.'))
  .configureHelp(HELP)
  .configureOutput(OUTPUT)
  .helpOption('-h, --help', t('shows this help'))
  .helpCommand('help [command]', t('shows the help of a command'))
  .exitOverride();
const collect = (value: string, before: string[]): string[] => [...before, value];
const withJson = (command: Command): Command => command.option('--json', t('plain data instead of sentences'));
const withHosts = (command: Command): Command => command.option('--hosts <folder>', t('folder with host cards'));

let status = 0;
const run =
  <Args extends unknown[]>(action: (...args: Args) => number | Promise<number>) =>
  async (...args: Args): Promise<void> => {
    status = await action(...args);
  };

const withAsking = (command: Command): Command =>
  command
    .option('--ask <address>', t('asks the hosts, through the Refenestra that runs there'))
    .option('--providers <file>', t('with --ask: oEmbed providers, in the format of their registry'));

withHosts(withJson(program.command('read')))
  .description(t('what the text holds: links and codes, and what each is'))
  .argument('[text]', t('the text, or - for standard input'), '-')
  .action(run(read));
withAsking(withHosts(withJson(program.command('embed'))))
  .description(t('embed code for a link or a code'))
  .option('--set <name=value>', t('a setting; may be given several times'), collect, [])
  .option('--site <file>', t('a site, as JSON'))
  .option('--form <name>', t('code type'), 'responsive')
  .option('--keep-running', t('keeps code that runs in what was pasted'))
  .argument('[text]', t('the text, or - for standard input'), '-')
  .action(run(embed));
withHosts(withJson(program.command('check')))
  .description(t('what would go wrong with each embed of a code or a page'))
  .option('--site <file>', t('a site, as JSON'))
  .argument('[text]', t('the text, or - for standard input'), '-')
  .action(run(check));
withAsking(withHosts(program.command('batch')))
  .description(t('embed code for every link of a CSV file, a list or a feed'))
  .option('--site <file>', t('a site, as JSON'))
  .option('--style <file>', t('the house style of the site, as JSON'))
  .option('--out <folder>', t('writes one file a row there, and batch.csv'))
  .argument('<file>', t('the file'))
  .action(run(batch));
withHosts(withJson(program.command('hosts')))
  .description(t('validates the host cards'))
  .option('--prove', t('runs the examples of each card'))
  .option('--site <file>', t('with --ask: the site that the frames are for, as JSON'))
  .option('--ask <address>', t('with --prove: asks for their frames, through the Refenestra that runs there'))
  .action(run(hosts));

withHosts(withJson(program.command('teach')))
  .description(t('works out a host card from links, codes and codes with settings'))
  .option('--card <file>', t('what is known of the host already, as a host card'))
  .argument('<file>', t('the examples, as JSON'))
  .action(run(async (...args: Parameters<typeof teach>) => (await import('./teach.ts')).teach(...args)));

withHosts(program.command('order'))
  .description(t('a page that plays a running order, a playlist or a feed as one'))
  .option('--newest <number>', t('only so many of the newest entries'))
  .option('--layout <name>', t('beside, below, strip or one'))
  .option('--as <format>', t('page, or a format: rss, atom, json-feed, xspf, m3u, csv'), 'page')
  .option('--form <name>', t('the code in the place of the page: whole, file, script or inline'))
  .option('--address <address>', t('where the page will stand, for the code type file'))
  .option('--text', t('with its text and structured data around the code'))
  .option('--transcripts', t('fetches the transcripts and chapters that the feed names'))
  .option('--order <file>', t('keeps the running order there; what is new comes in the next time'))
  .option('--site <file>', t('the site that the page is for, as JSON'))
  .option('--style <file>', t('the house style that its players follow, as JSON'))
  .option('--out <file>', t('writes it there'))
  .argument('<source>', t('a file, or the address of a feed'))
  .action(run(async (...args: Parameters<typeof order>) => (await import('./order.ts')).order(...args)));

withHosts(program.command('sweep'))
  .description(t('every embed of a site: what is wrong with it, and what the rules make of it'))
  .option('--site <file>', t('the site, as JSON'))
  .option('--style <file>', t('the house style of the site, as JSON, laid over what the code says'))
  .option('--rules <file>', t('what is put right, as JSON'))
  .option('--fix', t('writes the changes'))
  .option('--patch <file>', t('writes the changes as a unified diff'))
  .option('--report <file>', t('writes what was found, as .json, .csv or .html'))
  .option('--since <file>', t('tells what is otherwise than in an earlier report'))
  .option('--max-warnings <number>', t('so many warnings are no failure'), '0')
  .option('--ask <address>', t('for a site: reads it through the Refenestra that runs there'))
  .option('--frames', t('with --ask: asks each host for its frames, once each, and finds what is gone'))
  .argument('<source>', t('a folder, a zip, a file, or the address of a site'))
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
  t('lists the settings'),
  SETTINGS.map(({ id }) => ({ id, text: `${labelOf(id)}. ${helpOf(id)}` })),
);
listing(
  'forms',
  t('lists the code types'),
  FORMS.map(({ id }) => ({ id, text: `${formLabelOf(id)}. ${formHelpOf(id)}` })),
);
listing(
  'checks',
  t('lists the checks'),
  CHECKS.map(({ id, about }) => ({ id, text: t(about) })),
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
