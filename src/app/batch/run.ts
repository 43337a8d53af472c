import { z } from 'zod';
import type { Role } from '../../core/many/batch/columns.ts';
import type { SettingsFix } from '../../core/model/plan.ts';
import { workSchema } from '../../core/keeping/shelf/work.ts';
import type { Work } from '../../core/keeping/shelf/work.ts';
import type { BatchAsked, BatchBegun, BatchProgress, BatchRow, BatchTold } from '../../workers/messages.ts';
import { database } from '../storage/database.ts';
import { findEmbeds } from '../storage/embeds.ts';

type TableTold = Extract<BatchTold, { table: unknown }>['table'];

/** The batch, as the screen shows it. Of its rows only those in sight are here; the others are in the worker. */
export interface BatchState {
  phase: 'empty' | 'running' | 'done' | 'cancelled';
  table: TableTold | null;
  progress: BatchProgress;
  inSight: ReadonlyMap<number, BatchRow>;
  /** What came of the last thing that was done with the whole batch. */
  said: { code: 'shelved'; count: number } | { code: 'full' | 'store' | 'broken' } | null;
}

/** What of a batch outlives its tab: everything that is needed to make it again. */
const keptSchema = z.object({
  id: z.literal('current'),
  batch: z.string(),
  text: z.string(),
  name: z.string(),
  roles: z.array(z.string().nullable()).nullable(),
  site: z.string(),
  forAll: workSchema.shape.changes,
  asks: z.boolean(),
});
export type KeptBatch = Omit<z.infer<typeof keptSchema>, 'id' | 'roles'> & { roles: readonly (Role | null)[] | null };

export async function keepBatch(batch: KeptBatch): Promise<void> {
  await database.batches.put({ id: 'current', ...batch });
}

export async function findBatch(): Promise<KeptBatch | undefined> {
  return keptSchema.safeParse(await database.batches.get('current')).data as KeptBatch | undefined;
}

const NO_PROGRESS: BatchProgress = { states: new Uint8Array(), done: 0, coded: 0, asked: 0, toAsk: 0, unasked: 0 };
const EMPTY: BatchState = { phase: 'empty', table: null, progress: NO_PROGRESS, inSight: new Map(), said: null };

interface Waiting<Answer> {
  done: (answer: Answer) => void;
  fail: (error: Error) => void;
}

/** The one batch of this window. It goes on while other screens are looked at. */
class Run {
  private worker: Worker | null = null;
  private state: BatchState = EMPTY;
  private readonly watchers = new Set<() => void>();
  /** Who waits for a work, or for a file, in the order in which the worker was asked. */
  private readonly works: Waiting<Work>[] = [];
  private readonly files: Waiting<string | Uint8Array<ArrayBuffer>>[] = [];
  /** Rows that were opened on the Bench, and may have come back otherwise. */
  private readonly onBench = new Map<string, number>();

  watch = (watcher: () => void): (() => void) => {
    this.watchers.add(watcher);
    return () => void this.watchers.delete(watcher);
  };
  look = (): BatchState => this.state;

  begin(begun: BatchBegun): void {
    this.end('The batch was begun anew.');
    this.worker = new Worker(new URL('../../workers/batch.ts', import.meta.url), { type: 'module' });
    this.worker.onmessage = ({ data }: MessageEvent<BatchTold>) => this.take(data);
    this.worker.onerror = ({ message }) => {
      this.end(message);
      this.change({ phase: 'cancelled', said: { code: 'broken' } });
    };
    this.onBench.clear();
    this.change({ ...EMPTY, phase: 'running' });
    this.ask({ begin: begun });
  }

  cancel = (): void => this.ask({ cancel: true });
  /** Asks the hosts of those rows that could not be asked. */
  askAgain = (): void => {
    this.change({ phase: 'running' });
    this.ask({ askAgain: true });
  };
  set = (change: SettingsFix, rows: readonly number[]): void => this.ask({ change, rows });
  show = (rows: readonly number[]): void => this.ask({ show: rows });
  shelve = (): void => this.ask({ shelve: Date.now() });
  clear = (): void => {
    this.end('The batch was emptied.');
    this.change(EMPTY);
  };

  out(kind: 'csv' | 'html' | 'zip', title: string): Promise<string | Uint8Array<ArrayBuffer>> {
    return new Promise((done, fail) => {
      this.files.push({ done, fail });
      this.ask({ out: kind, title });
    });
  }

  /** The work of a row, which then may come back from the Bench otherwise. */
  async open(row: number): Promise<Work> {
    const work = await new Promise<Work>((done, fail) => {
      this.works.push({ done, fail });
      this.ask({ open: row });
    });
    this.onBench.set(work.id, row);
    return work;
  }

  /** Takes over what became of rows on the Bench. */
  async comeBack(): Promise<void> {
    for (const { id, work } of await findEmbeds([...this.onBench.keys()])) {
      const row = this.onBench.get(id);
      if (row !== undefined) this.ask({ replace: work, row });
    }
  }

  private ask(asked: BatchAsked): void {
    this.worker?.postMessage(asked);
  }

  /** Ends the worker; whoever still waits for it is told. */
  private end(why: string): void {
    this.worker?.terminate();
    this.worker = null;
    for (const { fail } of [...this.works.splice(0), ...this.files.splice(0)]) fail(new Error(why));
  }

  private take(told: BatchTold): void {
    if ('table' in told) this.change({ table: told.table });
    else if ('progress' in told) this.change({ progress: told.progress });
    else if ('shown' in told) this.change({ inSight: new Map(told.shown.map((row) => [row.row, row])) });
    else if ('opened' in told) this.works.shift()?.done(told.opened);
    else if ('ended' in told) this.change({ phase: told.ended });
    else if ('file' in told) this.files.shift()?.done(told.file);
    else if ('shelved' in told) this.change({ said: { code: 'shelved', count: told.shelved } });
    else this.change({ said: { code: told.failed } });
  }

  private change(part: Partial<BatchState>): void {
    this.state = { ...this.state, ...part };
    this.watchers.forEach((watcher) => watcher());
  }
}

export const run = new Run();
