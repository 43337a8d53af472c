import type { Range } from './candidate.ts';
import type { Origin } from './plan.ts';

/** A range of the code and what it comes from. Ranges do not overlap, and are in order. */
export interface CodeRange {
  range: Range;
  origin: Origin;
  /** A parameter that nobody knows, as the item has it. */
  parameter?: string;
}

/** The id of code that is kept as it stands, beside the forms that write it anew. */
export const AS_IT_STANDS = 'asItStands';

/** Written code, with the map that says where each part comes from. */
export interface Code {
  form: string;
  /** Whether a frame, or an element of our own, stands in it; otherwise it is words and addresses. */
  framed: boolean;
  /** Whether it is HTML as it stands. */
  markup: boolean;
  text: string;
  map: readonly CodeRange[];
}
