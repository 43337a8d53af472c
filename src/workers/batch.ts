import { expose } from 'comlink';
import { strToU8, zipSync } from 'fflate';
import { UNASKED } from '../core/many/batch/batch.ts';
import { recogniseColumns, type Role } from '../core/many/batch/columns.ts';
import { filesOfCodes, pageOfCodes, tableWithCodes } from '../core/many/batch/out.ts';
import { filledOrders } from '../core/many/batch/orders.ts';
import {
  makeRow,
  mayAsk,
  readCells,
  rowOut,
  withChanges,
  withPlayer,
  workOf,
  type Answer,
  type BatchSettings,
  type Cells,
  type MadeRow,
  type RowOut,
} from '../core/many/batch/row.ts';
import { readTable, type Table } from '../core/many/batch/table.ts';
import { makeBook } from '../core/known/hosts/book.ts';
import type { Providers } from '../core/known/hosts/providers.ts';
import type { SettingsFix } from '../core/model/plan.ts';
import type { Work } from '../core/keeping/shelf/work.ts';
import type * as sentences from '../messages/batch.ts';
import { speak, type Language } from '../messages/language.ts';
import { pause } from '../app/pause.ts';
import { isFull } from '../app/storage/database.ts';
import { replaceWorks } from '../app/storage/embeds.ts';
import { listOrders, saveOrders } from '../app/storage/orders.ts';
import { askPolitely } from './askPolitely.ts';
import {
  ROW_ORDER,
  type BatchBegun,
  type BatchEnd,
  type BatchFile,
  type BatchMaker,
  type BatchTold,
  type Shelved,
} from './messages.ts';

/** Reads, makes, checks and writes many rows, away from the screen's own thread, a few at a time so that it can be told to stop. */
const AT_ONCE = 100;
/** As many rows are looked at for those that show best what a table holds. */
const LOOKED_AT = 50;
/** Milliseconds between two reports on how far it is. */
const BETWEEN = 150;

type Sentences = typeof sentences;

/** Sentences stand in tables that are made when their module is, so that the language is set before it is loaded. */
async function loadSentences(language: Language): Promise<Sentences> {
  await speak(language);
  return import('../messages/batch.ts');
}

/** Of a row that was made, only its texts are kept: the rest is made again from its cells when it is asked for. */
interface Batch {
  sentences: Sentences;
  table: Table;
  roles: (Role | null)[];
  settings: BatchSettings;
  providers: Providers;
  id: string;
  rows: RowOut[];
  states: Uint8Array<ArrayBuffer>;
  coded: number;
  asked: number;
  toAsk: number;
  /** By row: what was laid over its own settings, how it came back from the Bench, and what its host said. */
  laid: Map<number, SettingsFix>;
  replaced: Map<number, Work>;
  answers: Map<number, Answer>;
  /** Rows whose hosts could not be asked. */
  unasked: Set<number>;
  tell: (told: BatchTold) => void;
  /** The report that comes soon. */
  due: ReturnType<typeof setTimeout> | undefined;
}

/** A worker makes one batch. */
function makeBatch(): BatchMaker {
  let begun: Batch | null = null;
  let running: AbortController | null = null;
  const current = (): Batch => {
    if (!begun) throw new Error('The batch has not begun.');
    return begun;
  };
  /** Runs until it is done or cancelled; what ran before is cancelled. */
  const run = async (work: (signal: AbortSignal) => Promise<Batch>): Promise<BatchEnd> => {
    running?.abort();
    const { signal } = (running = new AbortController());
    report(await work(signal));
    return signal.aborted ? 'cancelled' : 'done';
  };
  return {
    prepare: async (language) => void (await loadSentences(language)),
    begin: (given, tell) =>
      run(async (signal) => {
        const batch = (begun = newBatch(given, tell, await loadSentences(given.language)));
        await makeAll(batch, signal);
        if (given.asks && !signal.aborted) await askHosts(batch, signal);
        return batch;
      }),
    cancel: () => running?.abort(),
    askAgain: () =>
      run(async (signal) => {
        const batch = current();
        const rows = [...batch.unasked];
        batch.unasked.clear();
        await askHosts(batch, signal, rows);
        return batch;
      }),
    change: (change, rows) => {
      const batch = current();
      for (const row of rows) {
        const before = batch.laid.get(row);
        batch.laid.set(row, before ? { ...before, ...change } : change);
        make(batch, row);
      }
      report(batch);
    },
    replace: (work, row) => {
      const batch = current();
      batch.replaced.set(row, work);
      batch.laid.delete(row);
      make(batch, row);
      report(batch);
    },
    show: (wanted) => {
      const { rows } = current();
      return wanted.flatMap((row) => (rows[row] ? [{ ...rows[row], row }] : []));
    },
    open: (row) => workFor(current(), row, cellsFor(current(), row)),
    write: (kind, title) => written(current(), kind, title),
    shelve: (now) => shelve(current(), now),
  };
}

function newBatch(begun: BatchBegun, tell: (told: BatchTold) => void, sentences: Sentences): Batch {
  const table = readTable(begun.text);
  const roles = begun.roles ? [...begun.roles] : recogniseColumns(table);
  const { sites, styles, site, forAll, today, id, providers } = begun;
  const { from, head, rows } = table;
  tell({ table: { from, head, roles, sample: fullest(rows), count: rows.length } });
  return {
    sentences,
    table,
    roles,
    settings: { book: makeBook(begun.cards), sites, styles, site, forAll, today },
    providers,
    id,
    rows: [],
    states: new Uint8Array(rows.length),
    coded: 0,
    asked: 0,
    toAsk: 0,
    laid: new Map(),
    replaced: new Map(),
    answers: new Map(),
    unasked: new Set(),
    tell,
    due: undefined,
  };
}

/** Of the first rows, the two in which most cells are filled: they show best what stands in the columns. */
const fullest = (rows: Table['rows']): Table['rows'] =>
  rows
    .slice(0, LOOKED_AT)
    .toSorted((one, other) => filledIn(other) - filledIn(one))
    .slice(0, 2);
const filledIn = (row: readonly string[]): number => row.filter((cell) => cell.trim() !== '').length;

async function makeAll(batch: Batch, signal: AbortSignal): Promise<void> {
  const count = batch.table.rows.length;
  for (let at = 0; at < count && !signal.aborted; at += AT_ONCE) {
    for (let row = at; row < Math.min(count, at + AT_ONCE); row++) make(batch, row);
    reportSoon(batch);
    await pause();
  }
}

const cellsFor = ({ table, roles, settings }: Batch, row: number): Cells => readCells(table.rows[row]!, roles, settings);

function workFor(current: Batch, row: number, cells: Cells): Work {
  const { replaced, answers, laid, settings } = current;
  const own = (): Work => workOf(`${current.id}-${row + 1}`, cells, settings);
  const work = replaced.get(row) ?? withPlayer(own(), answers.get(row) ?? UNASKED, settings);
  return withChanges(work, laid.get(row) ?? {});
}

function madeFor(current: Batch, row: number): MadeRow {
  const cells = cellsFor(current, row);
  return makeRow(workFor(current, row, cells), cells, (current.answers.get(row) ?? UNASKED).facts, current.settings);
}

const NOTHING_TOLD: readonly string[] = [];

/**
 * A text that was put together from pieces is kept by engines as those pieces, at three times its weight, until
 * somebody searches it.
 */
const lighten = (text: string): boolean => /$/.test(text);

function make(current: Batch, row: number): void {
  const made = madeFor(current, row);
  const told = current.sentences.sayRow(made);
  const before = current.rows[row];
  const out = rowOut(made, told.length === 0 ? NOTHING_TOLD : told);
  lighten(out.code);
  current.coded += Number(out.code !== '') - Number(before !== undefined && before.code !== '');
  current.rows[row] = out;
  current.states[row] = ROW_ORDER.indexOf(out.state) + 1;
}

/** Asks the hosts for what the table does not say, and makes those rows anew. */
async function askHosts(current: Batch, signal: AbortSignal, wanted = [...current.rows.keys()]): Promise<void> {
  const { rows, settings } = current;
  const questions = wanted.flatMap((row) => {
    const link = mayAsk(rows[row]!.host, settings) ? madeFor(current, row).asks : null;
    return link === null ? [] : [{ row, link }];
  });
  current.toAsk = questions.length;
  current.asked = 0;
  const answered = ({ row }: { row: number }, answer: Answer): void => {
    current.answers.set(row, answer);
    make(current, row);
    current.asked++;
    reportSoon(current);
  };
  await askPolitely(questions, { server: '', signal, providers: current.providers }, answered, ({ row }) => {
    current.unasked.add(row);
    reportSoon(current);
  });
}

function reportSoon(batch: Batch): void {
  batch.due ??= setTimeout(() => report(batch), BETWEEN);
}

function report(batch: Batch): void {
  clearTimeout(batch.due);
  batch.due = undefined;
  const { states, rows, coded, asked, toAsk, unasked } = batch;
  batch.tell({ progress: { states: states.slice(), done: rows.length, coded, asked, toAsk, unasked: unasked.size } });
}

function written({ table, rows, sentences }: Batch, kind: BatchFile, title: string): string | Uint8Array<ArrayBuffer> {
  if (kind === 'csv') return tableWithCodes(table, rows, sentences.ROW_STATES);
  if (kind === 'html') return pageOfCodes(rows, title);
  return zipSync(Object.fromEntries(Object.entries(filesOfCodes(rows)).map(([name, text]) => [name, strToU8(text)])));
}

/** Puts what is made on the Shelf, and into the running orders that rows name. */
async function shelve(current: Batch, now: number): Promise<Shelved | 'full' | 'store'> {
  try {
    const ready = current.rows.flatMap(({ code }, row) => (code === '' ? [] : [madeFor(current, row)]));
    await replaceWorks(
      ready.map(({ made, tags }) => ({ ...made, tags })),
      now,
    );
    const { orders } = await listOrders();
    const filled = filledOrders(
      ready,
      orders.map(({ order }) => order),
      () => crypto.randomUUID(),
    );
    await saveOrders(filled);
    return { count: ready.length, orders: filled.length };
  } catch (error) {
    return isFull(error) ? 'full' : 'store';
  }
}

expose(makeBatch());
