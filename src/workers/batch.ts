import { strToU8, zipSync } from 'fflate';
import { recogniseColumns, type Role } from '../core/batch/columns.ts';
import { filesOut, pageOut, tableOut } from '../core/batch/out.ts';
import { makeRow, readCells, withChanges, workOf, type BatchSettings, type Cells, type MadeRow } from '../core/batch/row.ts';
import { readTable, type Table } from '../core/batch/table.ts';
import { makeBook } from '../core/hosts/book.ts';
import type { Facts } from '../core/model/item.ts';
import type { Work } from '../core/shelf/work.ts';
import { sayRow, sayRowState } from '../messages/batch.ts';
import { replaceWorks } from '../app/storage/embeds.ts';
import { askPolitely } from './askPolitely.ts';
import type { BatchAsked, BatchBegun, BatchRow, BatchTold } from './messages.ts';

/** Reads, makes, checks and writes many rows, away from the screen's own thread, a few at a time so that it can be told to stop. */
const AT_ONCE = 40;

interface Batch {
  table: Table;
  roles: (Role | null)[];
  settings: BatchSettings;
  id: string;
  /** By row; rows that are not made yet have none. */
  cells: Cells[];
  works: Work[];
  facts: Facts[];
  made: MadeRow[];
}

let batch: Batch | null = null;
let running: AbortController | null = null;

const tell = (told: BatchTold): void => postMessage(told);
const pause = (): Promise<void> => new Promise((done) => setTimeout(done, 0));

addEventListener('message', ({ data }: MessageEvent<BatchAsked>) => {
  if ('begin' in data) void begin(data.begin);
  else if ('cancel' in data) running?.abort();
  else if (batch) answer(batch, data);
});

function answer(current: Batch, asked: Exclude<BatchAsked, { begin: unknown } | { cancel: unknown }>): void {
  if ('change' in asked) {
    for (const row of asked.rows) {
      current.works[row] = withChanges(current.works[row]!, asked.change);
      make(current, row);
    }
    show(current, asked.rows, { asked: 0, toAsk: 0 });
  } else if ('replace' in asked) {
    current.works[asked.row] = asked.replace;
    make(current, asked.row);
    show(current, [asked.row], { asked: 0, toAsk: 0 });
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
  const current: Batch = { table, roles, settings, id, cells: [], works: [], facts: [], made: [] };
  batch = current;
  const { from, head, rows } = table;
  tell({ table: { from, head, roles, sample: rows.slice(0, 3), count: rows.length } });
  for (let at = 0; at < rows.length && !mine.signal.aborted; at += AT_ONCE) {
    const numbers = rows.slice(at, at + AT_ONCE).map((_, i) => at + i);
    for (const row of numbers) {
      current.cells[row] = readCells(rows[row]!, roles, sites);
      current.works[row] = workOf(`${id}-${row + 1}`, current.cells[row], settings);
      make(current, row);
    }
    show(current, numbers, { asked: 0, toAsk: 0 });
    await pause();
  }
  if (begun.asks && !mine.signal.aborted) await askHosts(current, mine.signal);
  if (running === mine) tell({ ended: mine.signal.aborted ? 'cancelled' : 'done' });
}

function make(current: Batch, row: number): void {
  current.made[row] = makeRow(current.works[row]!, current.cells[row]!, current.facts[row] ?? {}, current.settings);
}

/** Asks the hosts for what the table does not say, and makes those rows anew. */
async function askHosts(current: Batch, signal: AbortSignal): Promise<void> {
  const { made, settings } = current;
  const rows = made.flatMap(({ made: { host, item } }, row) =>
    host !== '' && settings.book.byId.get(host)?.card.oembed ? [{ row, link: item }] : [],
  );
  let asked = 0;
  await askPolitely(rows, signal, ({ row }, facts) => {
    current.facts[row] = facts;
    make(current, row);
    show(current, [row], { asked: ++asked, toAsk: rows.length });
  });
}

function show(current: Batch, rows: readonly number[], { asked, toAsk }: { asked: number; toAsk: number }): void {
  const shown = rows.map((row): BatchRow => {
    const { state, made } = current.made[row]!;
    const { work, title, host, kind, code } = made;
    return { row, state, work, title, host, kind, code, told: sayRow(current.made[row]!) };
  });
  tell({ rows: shown, done: current.made.length, asked, toAsk });
}

function written({ table, made }: Batch, kind: 'csv' | 'html' | 'zip', title: string): string | Uint8Array<ArrayBuffer> {
  if (kind === 'csv') return tableOut(table, made, { state: sayRowState, told: sayRow });
  if (kind === 'html') return pageOut(made, title);
  return zipSync(Object.fromEntries(Object.entries(filesOut(made)).map(([name, text]) => [name, strToU8(text)])));
}

async function shelve({ made }: Batch, now: number): Promise<void> {
  try {
    const ready = made.filter((row) => row.made.code !== '');
    await replaceWorks(
      ready.map((row) => ({ ...row.made, tags: row.tags })),
      now,
    );
    tell({ shelved: ready.length });
  } catch (error) {
    tell({ failed: error instanceof Error && /quota/i.test(`${error.name} ${error.message}`) ? 'full' : 'store' });
  }
}
