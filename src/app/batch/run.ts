import { proxy, type Remote } from 'comlink';
import { z } from 'zod';
import type { Role } from '../../core/many/batch/columns.ts';
import type { SettingsFix } from '../../core/model/plan.ts';
import { workSchema } from '../../core/keeping/shelf/work.ts';
import type { Work } from '../../core/keeping/shelf/work.ts';
import type { Language } from '../../messages/language.ts';
import type { BatchBegun, BatchEnd, BatchFile, BatchMaker, BatchProgress, BatchRow, BatchTold } from '../../workers/messages.ts';
import { openWorker, type Opened } from '../askWorker.ts';
import { ofStore } from '../state/ofStore.ts';
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
  said: { code: 'shelved'; count: number; orders: number } | { code: 'full' | 'store' | 'broken' } | null;
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

/** The one batch of this window. It goes on while other screens are looked at. */
export class BatchRun {
  private worker: Opened<BatchMaker> | null = null;
  /** The worker of the next batch. */
  private waiting: Opened<BatchMaker> | null = null;
  private state: BatchState = EMPTY;
  private readonly watchers = new Set<() => void>();
  /** Rows that were opened on the Bench, and may have come back otherwise. */
  private readonly onBench = new Map<string, number>();

  watch = (watcher: () => void): (() => void) => {
    this.watchers.add(watcher);
    return () => void this.watchers.delete(watcher);
  };
  snapshot = (): BatchState => this.state;

  /** Has a worker loaded, since there is something to make. */
  prepare(language: Language): void {
    if (this.waiting) return;
    this.waiting = openWorker(new Worker(new URL('../../workers/batch.ts', import.meta.url), { type: 'module' }));
    // What goes wrong is told when the worker is asked to begin.
    this.waiting.ask((maker) => maker.prepare(language)).catch(() => undefined);
  }

  begin(begun: BatchBegun): void {
    this.worker?.end();
    this.prepare(begun.language);
    this.worker = this.waiting;
    this.waiting = null;
    this.onBench.clear();
    this.change({ ...EMPTY, phase: 'running' });
    this.tellEnd((maker) => maker.begin(begun, proxy(this.take)));
  }

  cancel = (): void => this.tell((maker) => maker.cancel());
  /** Asks the hosts of those rows that could not be asked. */
  askAgain = (): void => {
    this.change({ phase: 'running' });
    this.tellEnd((maker) => maker.askAgain());
  };
  set = (change: SettingsFix, rows: readonly number[]): void => this.tell((maker) => maker.change(change, rows));
  show = (rows: readonly number[]): void =>
    this.tell(
      (maker) => maker.show(rows),
      (shown) => this.change({ inSight: new Map(shown.map((row) => [row.row, row])) }),
    );
  shelve = (): void =>
    this.tell(
      (maker) => maker.shelve(Date.now()),
      (shelved) => this.change({ said: typeof shelved === 'object' ? { code: 'shelved', ...shelved } : { code: shelved } }),
    );
  clear = (): void => {
    this.worker?.end();
    this.worker = null;
    this.change(EMPTY);
  };

  write = (kind: BatchFile, title: string): Promise<string | Uint8Array<ArrayBuffer>> =>
    this.ask((maker) => maker.write(kind, title));

  /** The work of a row, which then may come back from the Bench otherwise. */
  async open(row: number): Promise<Work> {
    const work = await this.ask((maker) => maker.open(row));
    this.onBench.set(work.id, row);
    return work;
  }

  /** Takes over what became of rows on the Bench. */
  async comeBack(): Promise<void> {
    for (const { id, work } of await findEmbeds([...this.onBench.keys()])) {
      const row = this.onBench.get(id);
      if (row !== undefined) this.tell((maker) => maker.replace(work, row));
    }
  }

  private ask: Opened<BatchMaker>['ask'] = (question) =>
    this.worker?.ask(question) ?? Promise.reject(new Error('There is no batch.'));

  /** Asks where nobody waits for the answer: a worker that broke is told on the screen, one that was ended is not. */
  private tell<Asked extends Promise<unknown>>(
    question: (maker: Remote<BatchMaker>) => Asked,
    answered: (answer: Awaited<Asked>) => void = () => undefined,
  ): void {
    const { worker } = this;
    worker?.ask(question).then(
      (answer) => this.worker === worker && answered(answer),
      () => {
        if (this.worker !== worker) return;
        worker?.end();
        this.worker = null;
        this.change({ phase: 'cancelled', said: { code: 'broken' } });
      },
    );
  }

  private tellEnd(question: (maker: Remote<BatchMaker>) => Promise<BatchEnd>): void {
    this.tell(question, (end) => this.change({ phase: end }));
  }

  private take = (told: BatchTold): void => this.change(told);

  private change(part: Partial<BatchState>): void {
    this.state = { ...this.state, ...part };
    this.watchers.forEach((watcher) => watcher());
  }
}

/** The batch of an application. */
export const batchOf = ofStore(() => new BatchRun());
