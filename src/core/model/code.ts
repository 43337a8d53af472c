import type { Range } from './candidate.ts';
import type { Origin } from './plan.ts';

/** A range of the code and what it comes from. Ranges do not overlap, and are in order. */
export interface Mark {
  range: Range;
  origin: Origin;
}

/** Written code, with the map that says where each part comes from. */
export interface Code {
  form: string;
  text: string;
  map: readonly Mark[];
}
