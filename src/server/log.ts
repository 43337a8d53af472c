import { writeSync } from 'node:fs';
import { pino, type Logger } from 'pino';
import type { Config } from './config.ts';

const OUT = 1;

/** The log of a process, a JSON text a line, on its standard output. A line for which there is no room is left out. */
export function makeLog({ log: level }: Pick<Config, 'log'>): Logger {
  for (const stream of [process.stdout, process.stderr]) stream.on('error', () => undefined);
  return pino({ level }, { write });
}

function write(text: string): void {
  try {
    writeSync(OUT, text);
  } catch {
    // There is nobody to tell; the next line is tried again.
  }
}
