import type { SiteFile } from './siteFile.ts';
import type { Language } from '../messages/language.ts';
import type { Role } from '../core/many/batch/columns.ts';
import type { RowOut } from '../core/many/batch/row.ts';
import type { Table } from '../core/many/batch/table.ts';
import type { HostCard } from '../core/known/hosts/card.ts';
import type { Providers } from '../core/known/hosts/providers.ts';
import type { SettingsFix } from '../core/model/plan.ts';
import type { Site } from '../core/model/site.ts';
import type { Work } from '../core/keeping/shelf/work.ts';
import type { HouseStyle } from '../core/known/styles/style.ts';
import type { Crop, Size } from '../core/model/crop.ts';
import type { Change, SweptFile } from '../core/many/sweep/found.ts';
import type { Reached } from '../core/proof/reach/reached.ts';
import type { Rules } from '../core/many/sweep/rules.ts';

/** What the page asks of the worker that makes covers. */
export interface CoverWanted {
  picture: Blob;
  crop: Crop;
  size: Size;
  type: 'image/webp' | 'image/jpeg';
  /** Bytes at most; the quality is lowered until it fits. */
  most: number;
}

/** The cover as a `data:` address with its weight in bytes, or that the picture could not be read. */
export type CoverMade = { address: string; bytes: number } | { failed: true };

/** What the worker that makes covers can be asked. */
export interface CoverMaker {
  make: (wanted: CoverWanted) => Promise<CoverMade>;
}

/** What a batch is made of: everything that the worker needs to know. */
export interface BatchBegun {
  /** The one that findings are told in. */
  language: Language;
  text: string;
  /** What each column says; null lets the worker recognise it. */
  roles: readonly (Role | null)[] | null;
  cards: readonly HostCard[];
  /** Where pages of hosts that no card knows can be asked. */
  providers: Providers;
  sites: readonly Site[];
  styles: Readonly<Record<string, HouseStyle>>;
  site: string;
  forAll: SettingsFix;
  today: string;
  /** Whether hosts are asked for titles, shapes and covers. */
  asks: boolean;
  /** Before the ids of its rows, so that the same row is the same embed. */
  id: string;
}

/** How many embeds and running orders were put where they are kept. */
export interface Shelved {
  count: number;
  orders: number;
}

/** What the worker that makes batches can be asked. It tells how far it is by itself, through what it was begun with. */
export interface BatchMaker {
  /** Loads what every batch needs. */
  prepare: (language: Language) => Promise<void>;
  begin: (begun: BatchBegun, tell: (told: BatchTold) => void) => Promise<BatchEnd>;
  /** Stops after the row in hand; what was made stays. */
  cancel: () => void;
  /** Goes on with the rows whose hosts could not be asked. */
  askAgain: () => Promise<BatchEnd>;
  /** Settings for some rows, by their numbers from 0. */
  change: (change: SettingsFix, rows: readonly number[]) => void;
  /** A row as it came back from the Bench. */
  replace: (work: Work, row: number) => void;
  /** Rows that are in sight. */
  show: (rows: readonly number[]) => BatchRow[];
  /** The work of a row, for the Bench. */
  open: (row: number) => Work;
  write: (kind: BatchFile, title: string) => string | Uint8Array<ArrayBuffer>;
  /** To the Shelf: all that have code, or none; the number of those, or why there is none. */
  shelve: (now: number) => Promise<Shelved | 'full' | 'store'>;
}

export type BatchFile = 'csv' | 'html' | 'zip';
export type BatchEnd = 'done' | 'cancelled';

/** A row as the screen shows it. */
export type BatchRow = RowOut & { row: number };

/** How far a batch is. */
export interface BatchProgress {
  /** By row, an index into `ROW_ORDER` and one more; 0 for one that is not made yet. */
  states: Uint8Array<ArrayBuffer>;
  done: number;
  /** Rows that have code. */
  coded: number;
  asked: number;
  toAsk: number;
  /** Rows whose hosts could not be asked, since the server did not answer. */
  unasked: number;
}

/** In this order they are shown. */
export const ROW_ORDER = ['person', 'look', 'done'] as const satisfies readonly RowOut['state'][];

/** What a batch tells by itself. */
export type BatchTold =
  | { table: { from: Table['from']; head: string[] | null; roles: (Role | null)[]; sample: string[][]; count: number } }
  | { progress: BatchProgress };

/** What a sweep works by. */
export interface SweepBegun {
  /** The mark under which what is found is kept until the end; null where nothing is kept. */
  keptBy: string | null;
  cards: readonly HostCard[];
  site: Site | null;
  style: HouseStyle | undefined;
  rules: Rules;
  /** What visitors get at frames, by share link, as far as hosts were asked. */
  reached: readonly (readonly [item: string, reached: readonly Reached[]])[];
}

/** A file with the changes that were chosen. */
export type ChangedFile = SiteFile & { changes: readonly Change[] };

/** What was written of a site: its changed files, the diff, and the way back. */
export interface SiteWritten {
  files: { name: string; bytes: Uint8Array<ArrayBuffer> }[];
  patch: string;
  reverse: string;
  /** Files whose changes can't be part of the patch. */
  unpatched: string[];
}

/** What a worker of a sweep can be asked. */
export interface Sweeper {
  begin: (begun: SweepBegun) => void;
  /** What each of these files holds; those left out are none that a sweep looks into. */
  sweep: (files: readonly SiteFile[]) => Promise<SweptFile[]>;
  write: (files: readonly ChangedFile[]) => Promise<SiteWritten>;
  /** The files of a zip that a sweep looks into, and how many others it holds; null where it is none. */
  open: (zip: File) => Promise<{ files: SiteFile[]; others: number } | null>;
  pack: (files: SiteWritten['files']) => Uint8Array<ArrayBuffer>;
}
