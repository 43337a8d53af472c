import { Help, type HelpConfiguration, type OutputConfiguration } from 'commander';
import { t } from '../messages/t.ts';

/** Words in angle or square brackets, and headings, that stand in the help of every command. */
const HELP_WORDS: Readonly<Record<string, string>> = {
  'Usage:': t('Usage:'),
  'Arguments:': t('Arguments:'),
  'Options:': t('Options:'),
  'Commands:': t('Commands:'),
  options: t('options'),
  command: t('command'),
  file: t('file'),
  folder: t('folder'),
  'name=value': t('name=value'),
  name: t('name'),
  address: t('address'),
  number: t('number'),
  format: t('format'),
  source: t('source'),
  text: t('text'),
};
const sayWord = (word: string): string => HELP_WORDS[word] ?? word;
const sayTerm = (term: string): string => term.replace(/(?<=[<[])[a-z=]+(?=[>\]])/g, sayWord);

/** The description with what holds where nothing is given. */
const withDefault = (description: string, value: unknown): string =>
  typeof value === 'string' ? `${description} (${t('otherwise {value}', { value })})` : description;

/** The help in the language of the reader. */
export const HELP: HelpConfiguration = {
  styleTitle: sayWord,
  commandUsage: (command) => sayTerm(Help.prototype.commandUsage.call(new Help(), command)),
  styleOptionTerm: sayTerm,
  styleArgumentText: sayWord,
  styleSubcommandTerm: sayTerm,
  optionDescription: ({ description, defaultValue }) => withDefault(description, defaultValue),
  argumentDescription: ({ description, defaultValue }) => withDefault(description, defaultValue),
};

/** What is said of wrong use: the message of the package by its pattern → the same in the language of the reader. */
const WRONG_USE: readonly (readonly [pattern: RegExp, say: (found: readonly string[]) => string])[] = [
  [/^error: unknown option '(.*)'/, ([, option]) => t('There is no option {option}.', { option })],
  [/^error: option '(.*)' argument missing/, ([, option]) => t('{option} needs a value.', { option: sayTerm(option!) })],
  [/^error: missing required argument '(.*)'/, ([, name]) => t('Say which {name}.', { name: sayWord(name!) })],
  [
    /^error: too many arguments.* Expected (\d+) arguments? but got (\d+)/s,
    ([, wanted, given]) => t('That is {given} where {wanted} can be used. Put text with spaces in quotes.', { wanted, given }),
  ],
  [/^error: unknown command '(.*)'/, ([, name]) => t('There is no command {name}.', { name })],
];
const MEANT = /\(Did you mean (?:one of )?(.*)\?\)/;

/** A message of the package in the language of the reader; one that has no pattern here stands as it is. */
export function sayWrongUse(message: string): string {
  const [said] = WRONG_USE.flatMap(([pattern, say]) => {
    const found = pattern.exec(message);
    return found ? [say(found)] : [];
  });
  const meant = MEANT.exec(message)?.[1];
  return said === undefined ? message : `${said}${meant ? ` ${t('Did you mean {names}?', { names: meant })}` : ''}\n`;
}

export const OUTPUT: OutputConfiguration = { outputError: (message, write) => write(sayWrongUse(message)) };
