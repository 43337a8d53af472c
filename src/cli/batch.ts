import { mkdirSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { makeBatch } from '../core/many/batch/batch.ts';
import { filesOfCodes, tableWithCodes } from '../core/many/batch/out.ts';
import { rowOut, type Answer, type BatchSettings } from '../core/many/batch/row.ts';
import type { Site } from '../core/model/site.ts';
import { styleSchema, type HouseStyle } from '../core/known/styles/style.ts';
import { ROW_STATES, sayRow } from '../messages/batch.ts';
import { askPolitely } from '../workers/askPolitely.ts';
import { askingOf } from './asking.ts';
import { openBook, readFileOrSay, readJson, readSite, UsageError } from './io.ts';
import { t } from '../messages/t.ts';

interface Options {
  site?: string;
  style?: string;
  out?: string;
  hosts?: string;
  ask?: string;
  providers?: string;
}

/** Makes all rows of a CSV file, a list or a feed; prints the table with the codes, or writes one file a row besides. */
export async function batch(file: string, options: Options): Promise<number> {
  const site = options.site === undefined ? null : readSite(options.site);
  const style = options.style === undefined ? null : readStyle(options.style, site);
  const text = readFileOrSay(file, 'batch');
  const settings: BatchSettings = {
    book: openBook(options.hosts),
    sites: site ? [site] : [],
    styles: site && style ? { [site.id]: style } : {},
    site: site?.id ?? '',
    forAll: {},
    today: new Date().toISOString().slice(0, 10),
  };
  const known = options.ask === undefined ? undefined : await askHosts(text, settings, options);
  const { table, made } = makeBatch(text, 'row', settings, known);
  const rows = made.map((row) => rowOut(row, sayRow(row)));
  const csv = tableWithCodes(table, rows, ROW_STATES);
  if (options.out === undefined) process.stdout.write(csv);
  else write(options.out, { ...filesOfCodes(rows), 'batch.csv': csv });
  const stuck = rows.flatMap(({ state, told }, i) =>
    state === 'person' ? [t('row {i}: {told}', { i: i + 1, told: told.join(' ') })] : [],
  );
  stuck.forEach((line) => console.error(line));
  return stuck.length > 0 ? 1 : 0;
}

/** What hosts say of the rows, by their number, asked through a running server as the screen does. */
async function askHosts(text: string, settings: BatchSettings, { ask, providers }: Options): Promise<Map<number, Answer>> {
  const { made } = makeBatch(text, 'row', settings);
  const questions = made.flatMap(({ asks }, row) => (asks === null ? [] : [{ row, link: asks }]));
  const answers = new Map<number, Answer>();
  await askPolitely(questions, await askingOf(ask!, providers), ({ row }, answer) => answers.set(row, answer));
  return answers;
}

/** A house style is for a site; without one it would be for nobody. */
function readStyle(file: string, site: Site | null): HouseStyle {
  if (!site) throw new UsageError(t('A house style belongs to a site. Give the site too, with --site FILE.'));
  return readJson(file, { what: t('house style'), schema: styleSchema });
}

function write(folder: string, files: Readonly<Record<string, string>>): void {
  try {
    mkdirSync(folder, { recursive: true });
    for (const [name, text] of Object.entries(files)) writeFileSync(join(folder, name), text);
  } catch (error) {
    throw new UsageError(
      t('Nothing can be written to {folder}: {error}', { folder, error: error instanceof Error ? error.message : String(error) }),
    );
  }
}
