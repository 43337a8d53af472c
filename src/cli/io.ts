import { readFileSync } from 'node:fs';
import { text as readAll } from 'node:stream/consumers';
import type { z } from 'zod';
import { textOf } from '../core/many/batch/textOf.ts';
import { readJson as parseJson } from '../core/model/json.ts';
import { inLanguage } from '../core/known/hosts/inLanguage.ts';
import { makeBook, type HostBook } from '../core/known/hosts/book.ts';
import { siteSchema, type Site } from '../core/model/site.ts';
import { loadCards } from '../core/known/hosts/loadCards.ts';
import { language } from '../messages/language.ts';
import { sayCardProblem } from '../messages/library.ts';
import { originFrom, readCardFiles, readFolder, readSites } from '../standins/world.ts';
import { firstProblem, sayProblem } from '../messages/problems.ts';
import { t } from '../messages/t.ts';

/** The command was given something that it cannot use; the message says what would be right. */
export class UsageError extends Error {}

const origin = (): string => originFrom(process.env);

export const readText = (argument: string): Promise<string> =>
  argument === '-' ? readAll(process.stdin) : Promise.resolve(argument);

/** The file's text, or a usage error that names it. */
export function readFileOrSay(file: string, what: string): string {
  try {
    const { text, encoding, guessed } = textOf(readFileSync(file));
    if (guessed) console.error(t('The {what} {file} is no UTF-8; it was read as {encoding}.', { what, file, encoding }));
    return text;
  } catch (error) {
    throw new UsageError(
      t('The {what} {file} cannot be read: {error}', {
        what,
        file,
        error: error instanceof Error ? error.message : String(error),
      }),
    );
  }
}

export function loadFolder(folder: string | undefined): ReturnType<typeof loadCards> {
  try {
    return loadCards(folder === undefined ? readCardFiles(origin()) : readFolder(folder, origin()));
  } catch (error) {
    throw new UsageError(
      t('The folder of host cards cannot be read: {error}', { error: error instanceof Error ? error.message : String(error) }),
    );
  }
}

/** The book of all cards that are right; the others are told on standard error. */
export function openBook(folder: string | undefined): HostBook {
  const { cards, problems } = loadFolder(folder);
  problems.forEach((problem) => console.error(sayCardProblem(problem)));
  return makeBook(cards.map((card) => inLanguage(card, language())));
}

/** The site that a file describes. */
export const readSite = (file: string): Site => readJson(file, { what: 'site', schema: siteSchema });

/** Where nobody names a site: that of the sample world. */
export const sampleSite = (): Site => readSites(origin())[0]!;

/** What a JSON file describes, checked, or a usage error that says where it is not right. */
export function readJson<Value>(file: string, { what, schema }: { what: string; schema: z.ZodType<Value> }): Value {
  const data = parseJson(readFileOrSay(file, what));
  if ('wrong' in data)
    throw new UsageError(t('The {what} {file} cannot be used: {wrong}.', { what, file, wrong: sayProblem(data.wrong) }));
  const result = schema.safeParse(data.value);
  if (result.success) return result.data;
  const { path, issue } = firstProblem(result.error);
  throw new UsageError(t('The {what} {file} is not right at {path}: {issue}.', { what, file, path, issue }));
}
