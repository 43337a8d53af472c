import type { Change, SweptEmbed, SweptFile } from '../../core/many/sweep/found.ts';
import { NO_RULES, type Rules } from '../../core/many/sweep/rules.ts';
import type { ChangedFile, SiteFile, SiteWritten, SweepBegun, Sweeper } from '../../workers/messages.ts';
import { openWorker, type Opened } from '../askWorker.ts';
import { ofStore } from '../state/ofStore.ts';

/** A site that is being swept, as the screen shows it. */
export interface SweepState {
  phase: 'empty' | 'running' | 'paused' | 'done' | 'cancelled' | 'broken';
  /** What was opened, and how that came to its end where there is something to tell. */
  name: string;
  note: string;
  /** Where its files can be written. */
  folder: FileSystemDirectoryHandle | null;
  files: readonly SiteFile[];
  /** Files that were looked into so far. */
  done: number;
  swept: readonly SweptFile[];
  rules: Rules;
  /** Embeds that are not to be changed, whatever the rules say. */
  spared: ReadonlySet<string>;
}

/** What somebody opened. */
export type OpenedSite = Pick<SweepState, 'name' | 'files' | 'note' | 'folder'>;

const EMPTY: SweepState = {
  phase: 'empty',
  name: '',
  note: '',
  folder: null,
  files: [],
  done: 0,
  swept: [],
  rules: NO_RULES,
  spared: new Set(),
};

/** Files that a worker is given at once: few, so that it can be told to stop. */
const AT_ONCE = 8;
/** Milliseconds between two reports on how far it is. */
const BETWEEN = 150;
const MOST_WORKERS = 4;

const newWorker = (): Worker => new Worker(new URL('../../workers/sweep.ts', import.meta.url), { type: 'module' });

/** By what an embed is told from all others of a sweep. */
export const keyOf = ({ file, range }: Pick<SweptEmbed, 'file' | 'range'>): string => `${file}:${range[0]}`;

/** The one sweep of a window. It goes on while other screens are looked at. */
export class SweepRun {
  private state = EMPTY;
  private readonly watchers = new Set<() => void>();
  private workers: Opened<Sweeper>[] = [];
  /** Names the present run, so that answers to one before it are not taken. */
  private turn = 0;
  private next = 0;
  private found: SweptFile[] = [];
  private due: ReturnType<typeof setTimeout> | undefined;
  private goOn: () => void = () => undefined;
  private resumed: Promise<void> = Promise.resolve();

  watch = (watcher: () => void): (() => void) => {
    this.watchers.add(watcher);
    return () => void this.watchers.delete(watcher);
  };
  snapshot = (): SweepState => this.state;

  /** Looks into all files; with other rules, once more. */
  begin(begun: SweepBegun, { name, files, note, folder }: OpenedSite): void {
    this.stop();
    const turn = this.turn;
    this.found = [];
    this.next = 0;
    const { spared } = this.state;
    this.change({
      phase: 'running',
      name,
      note,
      folder,
      files,
      done: 0,
      rules: begun.rules,
      spared: this.state.name === name ? spared : new Set(),
    });
    const wanted = Math.max(1, Math.min(MOST_WORKERS, navigator.hardwareConcurrency, Math.ceil(files.length / AT_ONCE)));
    this.workers = Array.from({ length: wanted }, () => openWorker<Sweeper>(newWorker()));
    Promise.all(this.workers.map((worker) => this.work(worker, begun, turn))).then(
      () => turn === this.turn && this.end('done'),
      () => turn === this.turn && this.end('broken'),
    );
  }

  private async work(worker: Opened<Sweeper>, begun: SweepBegun, turn: number): Promise<void> {
    const { files } = this.state;
    await worker.ask((sweeper) => sweeper.begin(begun));
    while (this.next < files.length && turn === this.turn) {
      const from = this.next;
      this.next += AT_ONCE;
      const some = files.slice(from, this.next);
      const swept = await worker.ask((sweeper) => sweeper.sweep(some));
      if (turn !== this.turn) return;
      this.found.push(...swept);
      this.state = { ...this.state, done: this.state.done + some.length };
      this.due ??= setTimeout(() => this.report(), BETWEEN);
      await this.resumed;
    }
  }

  private report(): void {
    clearTimeout(this.due);
    this.due = undefined;
    this.change({ swept: [...this.found].sort((a, b) => (a.file < b.file ? -1 : 1)) });
  }

  private end(phase: SweepState['phase']): void {
    this.turn++;
    this.report();
    this.workers.forEach((worker) => worker.end());
    this.workers = [];
    this.change({ phase });
  }

  private stop(): void {
    this.goOn();
    this.turn++;
    this.workers.forEach((worker) => worker.end());
    this.workers = [];
  }

  cancel = (): void => {
    this.goOn();
    this.end('cancelled');
  };
  pause = (): void => {
    this.resumed = new Promise((done) => (this.goOn = done));
    this.change({ phase: 'paused' });
  };
  resume = (): void => {
    this.goOn();
    this.change({ phase: 'running' });
  };
  clear = (): void => {
    this.stop();
    this.found = [];
    this.change(EMPTY);
  };

  spare = (key: string, spared: boolean): void => {
    const next = new Set(this.state.spared);
    if (spared) next.add(key);
    else next.delete(key);
    this.change({ spared: next });
  };

  /** The files of a zip, or null where it is none that can be read. */
  open = (zip: Blob): Promise<SiteFile[] | null> =>
    this.once(async ({ ask }) => (await ask((sweeper) => sweeper.open(zip)))?.files ?? null);

  /** What is to be written, with the changes that were chosen. */
  written = (): Promise<SiteWritten> => this.once(({ ask }) => ask((sweeper) => sweeper.write(this.changedFiles())));

  pack = (files: SiteWritten['files']): Promise<Uint8Array<ArrayBuffer>> =>
    this.once(({ ask }) => ask((sweeper) => Promise.resolve(sweeper.pack(files))));

  private async once<Answer>(question: (worker: Opened<Sweeper>) => Promise<Answer>): Promise<Answer> {
    const worker = openWorker<Sweeper>(newWorker());
    return question(worker).finally(worker.end);
  }

  /** The files that are to be changed, with the changes that were chosen. */
  changedFiles(): ChangedFile[] {
    const { swept, files, spared } = this.state;
    const contents = new Map(files.map(({ name, content }) => [name, content]));
    return swept.flatMap(({ file, embeds }): ChangedFile[] => {
      const changes = changesOf(embeds, spared);
      return changes.length > 0 ? [{ name: file, content: contents.get(file)!, changes }] : [];
    });
  }

  private change(part: Partial<SweepState>): void {
    this.state = { ...this.state, ...part };
    this.watchers.forEach((watcher) => watcher());
  }
}

const changesOf = (embeds: readonly SweptEmbed[], spared: ReadonlySet<string>): Change[] =>
  embeds.flatMap((embed) => (embed.change && !spared.has(keyOf(embed)) ? [embed.change] : []));

/** The sweep of an application. */
export const sweepOf = ofStore(() => new SweepRun());
