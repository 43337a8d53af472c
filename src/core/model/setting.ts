import type { Kind } from './kind.ts';
import type { ValueType } from './values.ts';

/** Where a setting lives: the four moments of a visit, the frame, and what stands around it; these two need no host. */
export type Moment = 'arrive' | 'begin' | 'during' | 'end' | 'frame' | 'around';

/** One setting of the product, whatever each host calls it. */
export interface Setting<Id extends string = string> {
  /** Stable: cards, saved work and the command line use it. */
  readonly id: Id;
  readonly moment: Moment;
  /** People reach for it most: it is laid out before anybody asks for it. */
  readonly foremost?: true;
  /** Our own markup does it, though it belongs to a moment of the visit. */
  readonly here?: true;
  /** The feature that it gives to the frame, or takes from it (Permissions Policy, section 4.1). */
  readonly feature?: string;
  /** An attribute that frames alone have. */
  readonly framesOnly?: true;
  readonly value: ValueType;
  readonly label: string;
  readonly help: string;
  /** The kinds of item for which it makes sense; absent for all. */
  readonly kinds?: readonly Kind[];
}

/** A setting, with its id as a type of its own. */
export function defineSetting<const Id extends string>(setting: Setting<Id>): Setting<Id> {
  return setting;
}
