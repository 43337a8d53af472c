import { z } from 'zod';
import type { Role } from '../../core/batch/columns.ts';
import type { SettingsFix } from '../../core/model/plan.ts';
import { workSchema } from '../../core/shelf/work.ts';
import type { BatchAsked, BatchBegun, BatchRow, BatchTold } from '../../workers/messages.ts';
import { database } from '../storage/database.ts';
import { findEmbeds } from '../storage/embeds.ts';

type TableTold = Extract<BatchTold, { table: unknown }>['table'];

/** The batch, as the screen shows it. `rows` is filled in place as rows are made; `tick` grows with each change of it. */
export interface BatchState {
  phase: 'empty' | 'running' | 'done' | 'cancelled';
  table: TableTold | null;
  rows: BatchRow[];
  done: number;
  asked: number;
  toAsk: number;
  tick: number;
  /** What came of the last thing that was done with the whole batch. */
  said: { code: 'shelved'; count: number } | { code: 'full' | 'store' } | null;
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

const EMPTY: BatchState = { phase: 'empty', table: null, rows: [], done: 0, asked: 0, toAsk: 0, tick: 0, said: null };
/** Milliseconds between two pictures of a batch that runs. */
const FRAME = 200;

/** The one batch of this window. It goes on while other screens are looked at. */
class Run {
  private worker: Worker | null = null;
  private state: BatchState = EMPTY;
  private readonly watchers = new Set<() => void>();
  private due: ReturnType<typeof setTimeout> | undefined;
  private file: ((told: Extract<BatchTold, { file: unknown }>) => void) | null = null;
  /** Rows that were opened on the Bench, and may have come back otherwise. */
  private readonly onBench = new Map<string, number>();

  watch = (watcher: () => void): (() => void) => {
    this.watchers.add(watcher);
    return () => void this.watchers.delete(watcher);
  };
  look = (): BatchState => this.state;

  begin(begun: BatchBegun): void {
    this.worker?.terminate();
    this.worker = new Worker(new URL('../../workers/batch.ts', import.meta.url), { type: 'module' });
    this.worker.onmessage = ({ data }: MessageEvent<BatchTold>) => this.take(data);
    this.onBench.clear();
    this.change({ ...EMPTY, phase: 'running', tick: this.state.tick + 1 });
    this.ask({ begin: begun });
  }

  cancel = (): void => this.ask({ cancel: true });
  set = (change: SettingsFix, rows: readonly number[]): void => this.ask({ change, rows });
  shelve = (): void => this.ask({ shelve: Date.now() });
  clear = (): void => {
    this.worker?.terminate();
    this.worker = null;
    this.change(EMPTY);
  };

  out(kind: 'csv' | 'html' | 'zip', title: string): Promise<string | Uint8Array<ArrayBuffer>> {
    this.ask({ out: kind, title });
    return new Promise((done) => {
      this.file = ({ file }) => done(file);
    });
  }

  opened(row: BatchRow): void {
    this.onBench.set(row.work.id, row.row);
  }

  /** Takes over what became of rows on the Bench. */
  async comeBack(): Promise<void> {
    for (const { id, work } of await findEmbeds([...this.onBench.keys()])) {
      const row = this.onBench.get(id);
      if (row !== undefined) this.ask({ replace: work, row });
    }
  }

  rowOnBench = (id: string): number | undefined => this.onBench.get(id);

  private ask(asked: BatchAsked): void {
    this.worker?.postMessage(asked);
  }

  private take(told: BatchTold): void {
    if ('table' in told) this.change({ table: told.table });
    else if ('rows' in told) {
      for (const row of told.rows) this.state.rows[row.row] = row;
      const { done, asked, toAsk } = told;
      this.state = { ...this.state, done, ...(toAsk > 0 && { asked, toAsk }), tick: this.state.tick + 1 };
      this.due ??= setTimeout(() => this.change({}), this.state.phase === 'running' ? FRAME : 0);
    } else if ('ended' in told) this.change({ phase: told.ended });
    else if ('file' in told) this.file?.(told);
    else if ('shelved' in told) this.change({ said: { code: 'shelved', count: told.shelved } });
    else this.change({ said: { code: told.failed } });
  }

  private change(part: Partial<BatchState>): void {
    clearTimeout(this.due);
    this.due = undefined;
    this.state = { ...this.state, ...part };
    this.watchers.forEach((watcher) => watcher());
  }
}

export const run = new Run();
