import { expose } from 'comlink';
import { zipSync } from 'fflate';
import { unzip } from '../core/keeping/bundle/zip.ts';
import { makeBook } from '../core/known/hosts/book.ts';
import { sweepBytes, writeChanges } from '../core/many/sweep/bytes.ts';
import type { SweepSettings } from '../core/many/sweep/change.ts';
import { containerOf } from '../core/many/sweep/containers/list.ts';
import type { SweptFile } from '../core/many/sweep/found.ts';
import type { Looked } from '../core/many/sweep/looked.ts';
import { keepLooked } from '../app/storage/unfinished.ts';
import type { SiteWritten, Sweeper } from './messages.ts';
import { bytesOf, stampOf, type SiteFile } from './siteFile.ts';

/** Milliseconds between two times that something is kept: each is told to every window. */
const BETWEEN = 500;

/** Looks into files of a site and writes their changes, away from the screen's own thread. */
function makeSweeper(): Sweeper {
  let settings: SweepSettings | null = null;
  let keptBy: string | null = null;
  /** What is not kept yet, and when something was, in milliseconds. */
  let loose: Looked[] = [];
  let kept = 0;
  return {
    begin: ({ keptBy: mark, cards, reached, ...others }) => {
      keptBy = mark;
      settings = { ...others, book: makeBook([...cards]), reached: new Map(reached) };
    },
    sweep: async (files) => {
      const swept: SweptFile[] = [];
      const bytes = await bytesOf(files);
      for (const [i, file] of files.entries()) {
        const found = sweepBytes(file.name, bytes[i]!, settings!);
        if (found) swept.push(found);
        loose.push({ file: file.name, stamp: stampOf(file) ?? '', found });
      }
      if (performance.now() - kept > BETWEEN) {
        // Where the browser keeps nothing, a sweep that is broken off begins anew.
        if (keptBy !== null) void keepLooked(keptBy, loose).catch(() => undefined);
        loose = [];
        kept = performance.now();
      }
      return swept;
    },
    write: async (files) => {
      const written: SiteWritten = { files: [], patch: '', reverse: '', unpatched: [] };
      for (const { changes, ...file } of files) {
        const [bytes] = await bytesOf([file]);
        const one = writeChanges(file.name, bytes!, changes);
        if (!one) continue;
        written.files.push({ name: file.name, bytes: one.bytes });
        if (one.patch === null || one.reverse === null) written.unpatched.push(file.name);
        written.patch += one.patch ?? '';
        written.reverse += one.reverse ?? '';
      }
      return written;
    },
    open: async (zip) => {
      const found = unzip(new Uint8Array(await zip.arrayBuffer()), (name) => containerOf(name) !== undefined);
      if ('refusal' in found) return null;
      const all = [...found.files.values()] as Uint8Array<ArrayBuffer>[];
      const content = new File(all, zip.name, { lastModified: zip.lastModified });
      let at = 0;
      const files = [...found.files].map(([name, { length }]): SiteFile => ({ name, content, within: [at, (at += length)] }));
      return { files, others: found.damaged.length };
    },
    pack: (files) => zipSync(Object.fromEntries(files.map(({ name, bytes }) => [name, bytes]))),
  };
}

expose(makeSweeper());
