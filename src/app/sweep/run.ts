import { sha256 } from '@noble/hashes/sha2.js';
import { bytesToHex, utf8ToBytes } from '@noble/hashes/utils.js';
import { sweptAgain, type Again, type KeptSweep } from '../../core/many/sweep/again.ts';
import type { FrameAsked } from '../../core/many/sweep/frames.ts';
import type { Reached } from '../../core/proof/reach/reached.ts';
import type { Looked } from '../../core/many/sweep/looked.ts';
import type { Change, SweptEmbed, SweptFile } from '../../core/many/sweep/found.ts';
import { numbersOf, type Numbers } from '../../core/many/sweep/numbers.ts';
import { NO_RULES, type Rules } from '../../core/many/sweep/rules.ts';
import type { ChangedFile, SiteWritten, SweepBegun, Sweeper } from '../../workers/messages.ts';
import { findSwept, keepSwept } from '../storage/sweeps.ts';
import { beginUnfinished, endUnfinished } from '../storage/unfinished.ts';
import { sizeOf, stampOf, type SiteFile } from '../../workers/siteFile.ts';
import { askReach } from '../../workers/askReach.ts';
import { openWorker, type Opened } from '../askWorker.ts';
import { pause } from '../pause.ts';
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
  /** Files that were looked into so far, and those of them that were before the sweep was broken off. */
  done: number;
  known: number;
  listed: Listed;
  rules: Rules;
  /** Embeds that are not to be changed, whatever the rules say. */
  spared: ReadonlySet<string>;
  /** What visitors get at frames, by share link; null until hosts are asked. */
  reached: ReadonlyMap<string, readonly Reached[]> | null;
  /** How far the asking is; null while nobody is asked. */
  asking: { asked: number; toAsk: number } | null;
  /** What is otherwise than at the sweep before; null until that is known, and at the first. */
  again: Again | null;
}

/** What was found so far, in the order of the site. */
export interface Listed {
  swept: readonly SweptFile[];
  /** Of all files. */
  embeds: readonly SweptEmbed[];
  numbers: Numbers;
}

function listOf(found: readonly SweptFile[]): Listed {
  const swept = [...found].sort((a, b) => (a.file < b.file ? -1 : 1));
  return { swept, embeds: swept.flatMap(({ embeds }) => embeds), numbers: numbersOf(swept) };
}

/** What a sweep works by; what hosts answered, and what is kept, is known here. */
type Begun = Omit<SweepBegun, 'reached' | 'keptBy'>;

/** What somebody opened. */
export type OpenedSite = Pick<SweepState, 'name' | 'files' | 'note' | 'folder'>;

const EMPTY: SweepState = {
  phase: 'empty',
  name: '',
  note: '',
  folder: null,
  files: [],
  done: 0,
  known: 0,
  listed: listOf([]),
  rules: NO_RULES,
  spared: new Set(),
  reached: null,
  asking: null,
  again: null,
};

/** What a worker is given at once, in files and in bytes: little, so that it can be told to stop. */
const AT_ONCE = { files: 64, bytes: 500_000 };

/** How many files from a place on are given at once. */
function howMany(files: readonly SiteFile[], from: number): number {
  let [count, bytes] = [1, sizeOf(files[from]!)];
  while (count < AT_ONCE.files && from + count < files.length && bytes < AT_ONCE.bytes) bytes += sizeOf(files[from + count++]!);
  return count;
}
/** Milliseconds between two reports on how far it is; and for each file found, between two lists of all of them. */
const BETWEEN = 200;
const FOR_EACH = 0.05;
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
  private toDo: readonly SiteFile[] = [];
  private next = 0;
  private found: SweptFile[] = [];
  /** When they were last listed, by the clock of the page. */
  private listedAt = 0;
  private due: ReturnType<typeof setTimeout> | undefined;
  private begun: Begun | null = null;
  /** What was kept of the site before it was opened, or before it was last written. */
  private before: Promise<KeptSweep | undefined> = Promise.resolve(undefined);
  private asked = new AbortController();
  private goOn: () => void = () => undefined;
  private resumed: Promise<void> = Promise.resolve();

  watch = (watcher: () => void): (() => void) => {
    this.watchers.add(watcher);
    return () => void this.watchers.delete(watcher);
  };
  snapshot = (): SweepState => this.state;

  /** Looks into all files; with other rules, once more. */
  begin(begun: Begun, { name, files, note, folder }: OpenedSite): void {
    this.stop();
    const turn = this.turn;
    this.found = [];
    this.next = 0;
    this.begun = begun;
    const same = this.state.name === name;
    if (files !== this.state.files) this.before = keptBefore(name);
    const { spared, reached } = same ? this.state : EMPTY;
    this.change({
      phase: 'running',
      name,
      note,
      folder,
      files,
      done: 0,
      known: 0,
      rules: begun.rules,
      spared,
      reached,
      asking: null,
      again: null,
    });
    const given: SweepBegun = { ...begun, keptBy: null, reached: [...(reached ?? [])] };
    this.goOnWhereItWas(given, turn)
      .then(async (keptBy) => {
        if (turn !== this.turn) return;
        const wanted = Math.max(1, Math.min(MOST_WORKERS, navigator.hardwareConcurrency, this.toDo.length));
        this.workers = Array.from({ length: wanted }, () => openWorker<Sweeper>(newWorker()));
        await Promise.all(this.workers.map((worker) => this.work(worker, { ...given, keptBy }, turn)));
        if (turn !== this.turn) return;
        this.end('done');
        // Where the browser keeps nothing, there is nothing to end.
        if (keptBy !== null) void endUnfinished({ name, mark: keptBy }).catch(() => undefined);
        void this.compare(this.turn);
      })
      .catch(() => turn === this.turn && this.end('broken'));
  }

  /**
   * Takes what is known of files that are still the same since the sweep was broken off; the rest is to be done. Gives the
   * mark by which it is kept; null where files cannot be told from others that were there before.
   */
  private async goOnWhereItWas(given: SweepBegun, turn: number): Promise<string | null> {
    const { name, files, folder } = this.state;
    const { site, rules } = given;
    this.toDo = files;
    if (!files.every(stampOf)) return null;
    // What another Refenestra found may be less, or more.
    const mark = bytesToHex(sha256(utf8ToBytes(JSON.stringify([import.meta.url, name, given]))));
    const unfinished = { name, mark, at: Date.now(), site: site?.id ?? null, rules, folder, files: files.length };
    const known = await beginUnfinished(unfinished).catch(() => new Map<string, Looked>());
    if (turn !== this.turn || known.size === 0) return mark;
    const isKnown = (file: SiteFile): boolean => known.get(file.name)?.stamp === stampOf(file);
    const same = files.filter(isKnown);
    this.found = same.flatMap((file) => known.get(file.name)!.found ?? []);
    this.toDo = files.filter((file) => !isKnown(file));
    this.change({ done: same.length, known: same.length });
    return mark;
  }

  private async work(worker: Opened<Sweeper>, begun: SweepBegun, turn: number): Promise<void> {
    const { toDo } = this;
    await worker.ask((sweeper) => sweeper.begin(begun));
    while (this.next < toDo.length && turn === this.turn) {
      const from = this.next;
      this.next += howMany(toDo, from);
      const some = toDo.slice(from, this.next);
      const swept = await worker.ask((sweeper) => sweeper.sweep(some));
      if (turn !== this.turn) return;
      this.found.push(...swept);
      this.state = { ...this.state, done: this.state.done + some.length };
      this.due ??= setTimeout(() => this.report(), BETWEEN);
      await this.resumed;
    }
  }

  private report(end?: SweepState['phase']): void {
    clearTimeout(this.due);
    this.due = undefined;
    const phase = end ?? this.state.phase;
    const now = performance.now();
    const due = phase !== 'running' || now - this.listedAt > this.found.length * FOR_EACH;
    if (due) this.listedAt = now;
    this.change(due ? { phase, listed: listOf(this.found) } : {});
  }

  private end(phase: SweepState['phase']): void {
    this.turn++;
    this.workers.forEach((worker) => worker.end());
    this.workers = [];
    this.report(phase);
  }

  /** Tells what is otherwise than at the sweep before, and keeps this one for the next. */
  private async compare(turn: number): Promise<void> {
    const before = await this.before;
    // Listing, comparing and keeping are a task each.
    await pause();
    if (turn !== this.turn) return;
    const { name, folder, listed, reached } = this.state;
    const { again, kept } = sweptAgain({ swept: listed.swept, asked: reached !== null, at: Date.now() }, before);
    this.change({ again });
    await pause();
    // Where the browser keeps nothing, the next sweep is told without this one.
    await keepSwept({ name, folder, kept }).catch(() => undefined);
  }

  /** Asks the hosts for all frames, each once, for pages at the address of a site, and looks into everything with the answers. */
  async askFrames(frames: readonly FrameAsked[], site: string): Promise<void> {
    const { signal } = (this.asked = new AbortController());
    const reached = new Map<string, readonly Reached[]>();
    let asked = 0;
    this.change({ asking: { asked, toAsk: frames.length } });
    await askReach(frames, { server: '', site, signal }, ({ item }, answer) => {
      if (answer) reached.set(item, answer);
      this.change({ asking: { asked: ++asked, toAsk: frames.length } });
    });
    if (signal.aborted || !this.begun) return;
    this.change({ reached });
    this.begin(this.begun, this.state);
  }
  stopAsking = (): void => {
    this.asked.abort();
    this.change({ asking: null });
  };

  private stop(): void {
    this.asked.abort();
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
    this.report();
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
  open = (zip: File): Promise<SiteFile[] | null> =>
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
    const { listed, files, spared } = this.state;
    const byName = new Map(files.map((file) => [file.name, file]));
    return listed.swept.flatMap(({ file, embeds }): ChangedFile[] => {
      const changes = changesOf(embeds, spared);
      return changes.length > 0 ? [{ ...byName.get(file)!, changes }] : [];
    });
  }

  private change(part: Partial<SweepState>): void {
    this.state = { ...this.state, ...part };
    this.watchers.forEach((watcher) => watcher());
  }
}

const keptBefore = async (name: string): Promise<KeptSweep | undefined> => (await findSwept(name).catch(() => undefined))?.kept;

const changesOf = (embeds: readonly SweptEmbed[], spared: ReadonlySet<string>): Change[] =>
  embeds.flatMap((embed) => (embed.change && !spared.has(keyOf(embed)) ? [embed.change] : []));

/** The sweep of an application. */
export const sweepOf = ofStore(() => new SweepRun());
