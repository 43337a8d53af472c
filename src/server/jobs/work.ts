import { makeRows, type SomeRows } from '../../core/many/batch/batch.ts';
import { rowOut, type Answer, type BatchSettings } from '../../core/many/batch/row.ts';
import { sweepBytes } from '../../core/many/sweep/bytes.ts';
import { reportOf } from '../../core/many/sweep/report.ts';
import { NO_RULES } from '../../core/many/sweep/rules.ts';
import type { SweptFile } from '../../core/many/sweep/found.ts';
import { sayRow } from '../../messages/batch.ts';
import { crawl } from '../crawl.ts';
import type { Guard } from '../guard.ts';
import type { PagesKept } from '../pagesKept.ts';
import type { Known } from '../known.ts';
import { siteIn, styleIn } from '../programs.ts';
import type { Answers } from '../answers.ts';
import { resolve, type Resolved } from '../resolve.ts';
import type { InTurn } from '../together/turns.ts';
import type { Part, Worker } from './job.ts';

interface WorkParts {
  known: () => Known;
  guard: Guard;
  pages: PagesKept;
  inTurn: InTurn;
  answers: Answers<Resolved>;
}

/** Does the parts of jobs. */
export const makeWorker =
  (parts: WorkParts): Worker =>
  (part) =>
    part.kind === 'batch' ? batchPart(part, parts) : sweepPart(part, parts);

async function batchPart({ order, some }: Extract<Part, { kind: 'batch' }>, parts: WorkParts): Promise<readonly object[]> {
  const known = parts.known();
  const site = siteIn(order.site, known.sites);
  const style = styleIn(order.style, site, known.team.styles);
  const settings: BatchSettings = {
    book: known.book,
    sites: site ? [site] : [],
    styles: site && style ? { [site.id]: style } : {},
    site: site?.id ?? '',
    forAll: {},
    today: new Date().toISOString().slice(0, 10),
  };
  const answers = order.ask ? await askFor(some, settings, parts) : undefined;
  return makeRows(some, 'row', settings, answers).map((row, i) => {
    const { code, state, title, kind, host } = rowOut(row, []);
    return { row: some.first + i + 1, state, code, title, kind, host, told: sayRow(row) };
  });
}

/** What hosts say of the rows, each host asked by one at a time of all that serve; a host that does not answer is left out. */
async function askFor(
  some: SomeRows,
  settings: BatchSettings,
  { known, guard, inTurn, answers }: WorkParts,
): Promise<Map<number, Answer>> {
  const found = new Map<number, Answer>();
  await Promise.all(
    makeRows(some, 'row', settings).map(async ({ asks }, i) => {
      if (asks === null) return;
      try {
        const asked = { url: asks };
        const ask = () => inTurn(new URL(asks).host, () => resolve(asked, known(), guard));
        const { facts, found: player } = await answers.ask(asked, ask);
        found.set(some.first + i, { facts, player: player?.text, listed: false });
      } catch {
        // The row says that its host was not heard.
      }
    }),
  );
  return found;
}

/** The pages of a site and what stands on them, as the report of a sweep. */
async function sweepPart(
  { order }: Extract<Part, { kind: 'sweep' }>,
  { known, guard, pages, inTurn }: WorkParts,
): Promise<readonly object[]> {
  const { book, sites, team } = known();
  const site = siteIn(order.site, sites);
  const style = styleIn(null, site, team.styles);
  const { host } = new URL(order.url);
  const swept: SweptFile[] = [];
  const told = crawl(order.url, (address, limits) => inTurn(host, () => pages.ask(address, guard, limits)), {
    most: order.most,
    signal: new AbortController().signal,
  });
  for await (const one of told) {
    if (one.kind !== 'page') continue;
    const settings = { book, site, style, rules: { ...NO_RULES, style: style !== undefined } };
    const found = sweepBytes(one.address, new TextEncoder().encode(one.text), settings);
    if (found) swept.push(found);
  }
  return [reportOf(swept, false)];
}
