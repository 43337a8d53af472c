import { readdirSync, readFileSync, renameSync, statSync, writeFileSync } from 'node:fs';
import { join, relative, sep } from 'node:path';
import { zipSync } from 'fflate';
import { unzip } from '../core/keeping/bundle/zip.ts';
import { styleSchema } from '../core/known/styles/style.ts';
import { sweepBytes, writeChanges } from '../core/many/sweep/bytes.ts';
import type { SweepSettings } from '../core/many/sweep/change.ts';
import { containerOf } from '../core/many/sweep/containers/list.ts';
import type { CrawlLeft } from '../core/many/sweep/crawled.ts';
import type { SweptFile } from '../core/many/sweep/found.ts';
import { framesOf } from '../core/many/sweep/frames.ts';
import { numbersOf } from '../core/many/sweep/numbers.ts';
import { reportOf, reportSchema, since, tableOf } from '../core/many/sweep/report.ts';
import { NO_RULES, rulesSchema } from '../core/many/sweep/rules.ts';
import type { Reached } from '../core/proof/reach/reached.ts';
import { sayFinding } from '../messages/findings.ts';
import { sayCrawl, sayCrawlEnd, sayLeft, sayNoPatch, sayNumbers, saySince } from '../messages/sweep.ts';
import { askReach } from '../workers/askReach.ts';
import { readSite as readSitePages } from '../workers/readSite.ts';
import { sweepPage } from '../messages/sweepPage.ts';
import { reach } from './asking.ts';
import { openBook, readJson, readSite, UsageError } from './io.ts';
import { t } from '../messages/t.ts';

interface Options {
  site?: string;
  style?: string;
  rules?: string;
  hosts?: string;
  fix?: boolean;
  patch?: string;
  report?: string;
  since?: string;
  maxWarnings: string;
  ask?: string;
  frames?: boolean;
}

/** A file of the site: its name, how it is read, and how it is written back where that can be. */
interface SiteFile {
  name: string;
  read: () => Uint8Array;
  write: (bytes: Uint8Array) => void;
}

/** Every embed of a folder, a zip or a file: found, judged, and with `--fix` put right. 1 where findings remain. */
export async function sweep(source: string, options: Options): Promise<number> {
  const most = Number(options.maxWarnings);
  if (!Number.isInteger(most) || most < 0) throw new UsageError(t('--max-warnings takes a number from 0 on.'));
  const settings = settingsOf(options);
  const { files, end } = /^https?:/i.test(source) ? await atAddress(source, options) : filesOf(source);
  const reached = options.frames ? await framesAsked(files, settings, options) : undefined;
  const swept: SweptFile[] = [];
  let patch = '';
  for (const file of files) {
    const bytes = file.read();
    const found = sweepBytes(file.name, bytes, { ...settings, reached });
    if (!found) continue;
    swept.push(found);
    const changes = found.embeds.flatMap(({ change }) => change ?? []);
    const written = changes.length > 0 ? writeChanges(file.name, bytes, changes) : null;
    patch += written?.patch ?? '';
    if (written?.patch === null && options.patch !== undefined) console.error(sayNoPatch(file.name));
    if (written && options.fix) file.write(written.bytes);
  }
  if (options.fix) end();
  if (options.patch !== undefined) writeFileSync(options.patch, patch);
  if (options.report !== undefined) writeFileSync(options.report, reportAs(options.report, swept, settings, options));
  return tell(swept, options, most);
}

/** What visitors of the site get at each frame, by its item. */
async function framesAsked(
  files: readonly SiteFile[],
  settings: SweepSettings,
  { ask }: Options,
): Promise<Map<string, readonly Reached[]>> {
  if (ask === undefined)
    throw new UsageError(t('Hosts are asked by a Refenestra that runs. Give its address too, with --ask ADDRESS.'));
  const embeds = files.flatMap((file) => sweepBytes(file.name, file.read(), settings)?.embeds ?? []);
  const server = await reach(ask);
  const asking = { server, site: settings.site?.address ?? server, signal: new AbortController().signal };
  const reached = new Map<string, readonly Reached[]>();
  await askReach(framesOf(embeds, settings), asking, ({ item }, answer) => answer && reached.set(item, answer));
  return reached;
}

function settingsOf({ site: siteFile, style: styleFile, rules: rulesFile, hosts }: Options): SweepSettings {
  const site = siteFile === undefined ? null : readSite(siteFile);
  if (styleFile !== undefined && !site)
    throw new UsageError(t('A house style belongs to a site. Give the site too, with --site FILE.'));
  const style = styleFile === undefined ? undefined : readJson(styleFile, { what: t('house style'), schema: styleSchema });
  const rules = rulesFile === undefined ? NO_RULES : readJson(rulesFile, { what: 'rules', schema: rulesSchema });
  return { book: openBook(hosts), site, style, rules: style ? { ...rules, style: true } : rules };
}

function tell(swept: readonly SweptFile[], { fix, since: earlier }: Options, most: number): number {
  let [errors, warnings] = [0, 0];
  for (const { file, embeds, left } of swept) {
    for (const { line, findings, change } of embeds)
      for (const finding of findings) {
        if (fix && change?.ends.includes(finding.code)) continue;
        if (finding.severity === 'note') continue;
        if (finding.severity === 'error') errors++;
        else warnings++;
        console.log(`${file}:${line}: ${finding.severity}: ${sayFinding(finding)}`);
      }
    for (const { line, why } of left) console.error(t('{file}:{line}: left as it is: {why}', { file, line, why: sayLeft(why) }));
  }
  const numbers = numbersOf(swept);
  console.error(sayNumbers(numbers));
  if (numbers.changes > 0)
    console.error(`${numbers.changes} ${fix ? 'changed' : t('would be changed (--fix, or --patch FILE)')}.`);
  if (earlier !== undefined) {
    const before = readJson(earlier, { what: 'report', schema: reportSchema });
    console.error(saySince(since(before, reportOf(swept, fix ?? false))));
  }
  return errors > 0 || warnings > most ? 1 : 0;
}

function reportAs(file: string, swept: readonly SweptFile[], { book }: SweepSettings, { fix }: Options): string {
  const report = reportOf(swept, fix ?? false);
  if (file.endsWith('.csv')) return tableOf(report);
  if (!file.endsWith('.html')) return `${JSON.stringify(report, null, 2)}\n`;
  return sweepPage(swept, numbersOf(swept), {
    title: t('Sweep'),
    day: new Date().toISOString().slice(0, 10),
    nameOf: (host) => book.byId.get(host)?.card.name,
  });
}

/** The pages of a site, read by a Refenestra that runs; they cannot be written. */
async function atAddress(source: string, { ask, fix }: Options): Promise<{ files: SiteFile[]; end: () => void }> {
  if (ask === undefined)
    throw new UsageError(t('A site is read by a Refenestra that runs. Give its address too, with --ask ADDRESS.'));
  if (fix)
    throw new UsageError(t('Pages at an address cannot be written. Take --patch or --report, or sweep the folder of the site.'));
  const files: SiteFile[] = [];
  const left: CrawlLeft[] = [];
  for await (const told of readSitePages(source, { server: await reach(ask), signal: new AbortController().signal })) {
    if (told.kind === 'page')
      files.push({ name: told.address, read: () => new TextEncoder().encode(told.text), write: () => undefined });
    if (told.kind === 'left') left.push(told.why);
    if (told.kind === 'end') console.error(sayCrawlEnd(told.why));
  }
  if (left.length > 0) console.error(sayCrawl(left));
  return { files, end: () => undefined };
}

/** Folders in which nothing of a site stands. */
const NOT_OF_SITE = /^(?:node_modules|\..*)$/;

function filesOf(source: string): { files: SiteFile[]; end: () => void } {
  try {
    if (statSync(source).isDirectory()) return { files: inFolder(source, source), end: () => undefined };
    if (source.endsWith('.zip')) return inZip(source);
    return { files: [onDisk(source, source.split(sep).at(-1)!)], end: () => undefined };
  } catch (error) {
    throw new UsageError(
      t('{source} cannot be read: {error}', { source, error: error instanceof Error ? error.message : String(error) }),
    );
  }
}

function inFolder(root: string, folder: string): SiteFile[] {
  return readdirSync(folder, { withFileTypes: true })
    .sort((a, b) => (a.name < b.name ? -1 : 1))
    .flatMap((entry): SiteFile[] => {
      const path = join(folder, entry.name);
      if (entry.isDirectory()) return NOT_OF_SITE.test(entry.name) ? [] : inFolder(root, path);
      return entry.isFile() && containerOf(entry.name) ? [onDisk(path, relative(root, path).replaceAll(sep, '/'))] : [];
    });
}

/** Written beside the file first, so that it is the old one or the new one whenever the program is stopped. */
const onDisk = (path: string, name: string): SiteFile => ({
  name,
  read: () => readFileSync(path),
  write: (bytes) => {
    const beside = `${path}.refenestra`;
    writeFileSync(beside, bytes, { mode: statSync(path).mode });
    renameSync(beside, path);
  },
});

function inZip(path: string): { files: SiteFile[]; end: () => void } {
  const zip = unzip(readFileSync(path), () => true);
  if ('refusal' in zip || zip.damaged.length > 0)
    throw new UsageError(t('{path} is no zip file that can be read whole.', { path }));
  const contents = new Map(zip.files);
  let changed = false;
  const files = [...contents.keys()].filter(containerOf).map((name) => ({
    name,
    read: () => contents.get(name)!,
    write: (bytes: Uint8Array) => {
      contents.set(name, bytes);
      changed = true;
    },
  }));
  const end = (): void => {
    if (changed) onDisk(path, path).write(zipSync(Object.fromEntries(contents)));
  };
  return { files, end };
}
