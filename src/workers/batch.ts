import { strToU8, zipSync } from 'fflate';
import { UNASKED } from '../core/many/batch/batch.ts';
import { recogniseColumns, type Role } from '../core/many/batch/columns.ts';
import { filesOut, pageOut, tableOut } from '../core/many/batch/out.ts';
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
  type MadeRow,
  type RowOut,
} from '../core/many/batch/row.ts';
import { readTable, type Table } from '../core/many/batch/table.ts';
import { makeBook } from '../core/known/hosts/book.ts';
import type { Providers } from '../core/known/hosts/providers.ts';
import type { SettingsFix } from '../core/model/plan.ts';
import type { Work } from '../core/keeping/shelf/work.ts';
import { ROW_STATES, sayRow } from '../messages/batch.ts';
import { isFull } from '../app/storage/database.ts';
import { replaceWorks } from '../app/storage/embeds.ts';
import { askPolitely } from './askPolitely.ts';
import { ROW_ORDER, type BatchAsked, type BatchBegun, type BatchTold } from './messages.ts';

/** Reads, makes, checks and writes many rows, away from the screen's own thread, a few at a time so that it can be told to stop. */
const AT_ONCE = 100;
/** Milliseconds between two reports on how far it is. */
const BETWEEN = 150;

/** Of a row that was made, only its texts are kept: the rest is made again from its cells when it is asked for. */
interface Batch {
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
}

let batch: Batch | null = null;
let running: AbortController | null = null;
let due: ReturnType<typeof setTimeout> | undefined;

const tell = (told: BatchTold): void => postMessage(told);
/** Lets messages in. Timers that follow one another are held back by browsers, messages are not. */
const pause = (): Promise<void> =>
  new Promise((done) => {
    const { port1, port2 } = new MessageChannel();
    port1.onmessage = () => {
      port1.close();
      done();
    };
    port2.postMessage(null);
  });

addEventListener('message', ({ data }: MessageEvent<BatchAsked>) => {
  if ('begin' in data) void begin(data.begin);
  else if ('cancel' in data) running?.abort();
  else if ('askAgain' in data) void goOn();
  else if (batch) answer(batch, data);
});

/** Asks once more for the rows that could not be asked. */
async function goOn(): Promise<void> {
  if (!batch) return;
  const mine = (running = new AbortController());
  const rows = [...batch.unasked];
  batch.unasked.clear();
  await askHosts(batch, mine.signal, rows);
  if (running !== mine) return;
  report(batch);
  tell({ ended: mine.signal.aborted ? 'cancelled' : 'done' });
}

function answer(
  current: Batch,
  asked: Exclude<BatchAsked, { begin: unknown } | { cancel: unknown } | { askAgain: unknown }>,
): void {
  if ('show' in asked) {
    const { rows } = current;
    tell({ shown: asked.show.flatMap((row) => (rows[row] ? [{ ...rows[row], row }] : [])) });
  } else if ('open' in asked) tell({ opened: workFor(current, asked.open) });
  else if ('change' in asked) {
    for (const row of asked.rows) {
      const before = current.laid.get(row);
      current.laid.set(row, before ? { ...before, ...asked.change } : asked.change);
      make(current, row);
    }
    report(current);
  } else if ('replace' in asked) {
    current.replaced.set(asked.row, asked.replace);
    current.laid.delete(asked.row);
    make(current, asked.row);
    report(current);
  } else if ('out' in asked) tell({ kind: asked.out, file: written(current, asked.out, asked.title) });
  else void shelve(current, asked.shelve);
}

async function begin(begun: BatchBegun): Promise<void> {
  running?.abort();
  const mine = (running = new AbortController());
  const table = readTable(begun.text);
  const roles = begun.roles ? [...begun.roles] : recogniseColumns(table);
  const { sites, styles, site, forAll, today, id } = begun;
  const settings: BatchSettings = { book: makeBook(begun.cards), sites, styles, site, forAll, today };
  const states = new Uint8Array(table.rows.length);
  const counts = { coded: 0, asked: 0, toAsk: 0 };
  const changed = { laid: new Map(), replaced: new Map(), answers: new Map(), unasked: new Set<number>() };
  const current: Batch = { table, roles, settings, providers: begun.providers, id, rows: [], states, ...counts, ...changed };
  batch = current;
  const { from, head, rows } = table;
  tell({ table: { from, head, roles, sample: rows.slice(0, 3), count: rows.length } });
  for (let at = 0; at < rows.length && !mine.signal.aborted; at += AT_ONCE) {
    for (let row = at; row < Math.min(rows.length, at + AT_ONCE); row++) make(current, row);
    reportSoon(current);
    await pause();
  }
  if (begun.asks && !mine.signal.aborted) await askHosts(current, mine.signal);
  if (running !== mine) return;
  report(current);
  tell({ ended: mine.signal.aborted ? 'cancelled' : 'done' });
}

const cellsFor = ({ table, roles, settings }: Batch, row: number) => readCells(table.rows[row]!, roles, settings.sites);

function workFor(current: Batch, row: number): Work {
  const { replaced, answers, laid, settings } = current;
  const own = (): Work => workOf(`${current.id}-${row + 1}`, cellsFor(current, row), settings);
  const work = replaced.get(row) ?? withPlayer(own(), answers.get(row) ?? UNASKED, settings);
  return withChanges(work, laid.get(row) ?? {});
}

const madeFor = (current: Batch, row: number): MadeRow =>
  makeRow(workFor(current, row), cellsFor(current, row), (current.answers.get(row) ?? UNASKED).facts, current.settings);

const NOTHING_TOLD: readonly string[] = [];

/**
 * A text that was put together from pieces is kept by engines as those pieces, at three times its weight, until
 * somebody searches it.
 */
const lighten = (text: string): boolean => /$/.test(text);

function make(current: Batch, row: number): void {
  const made = madeFor(current, row);
  const told = sayRow(made);
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

function reportSoon(current: Batch): void {
  due ??= setTimeout(() => report(current), BETWEEN);
}

function report({ states, rows, coded, asked, toAsk, unasked }: Batch): void {
  clearTimeout(due);
  due = undefined;
  tell({ progress: { states: states.slice(), done: rows.length, coded, asked, toAsk, unasked: unasked.size } });
}

function written({ table, rows }: Batch, kind: 'csv' | 'html' | 'zip', title: string): string | Uint8Array<ArrayBuffer> {
  if (kind === 'csv') return tableOut(table, rows, ROW_STATES);
  if (kind === 'html') return pageOut(rows, title);
  return zipSync(Object.fromEntries(Object.entries(filesOut(rows)).map(([name, text]) => [name, strToU8(text)])));
}

async function shelve(current: Batch, now: number): Promise<void> {
  try {
    const ready = current.rows.flatMap(({ code }, row) => (code === '' ? [] : [madeFor(current, row)]));
    await replaceWorks(
      ready.map(({ made, tags }) => ({ ...made, tags })),
      now,
    );
    tell({ shelved: ready.length });
  } catch (error) {
    tell({ failed: isFull(error) ? 'full' : 'store' });
  }
}
