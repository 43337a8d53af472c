import type { Reached } from '../../proof/reach/reached.ts';
import type { Site } from '../../model/site.ts';
import type { Severity } from '../../steps/check/finding.ts';
import type { Entry, Order } from '../order.ts';
import type { Played } from '../plays.ts';

/** What one press does to a running order. */
export type OrderRemedy = { order: Partial<Order> } | { entry: Partial<Entry> } | { remove: true };

/** A thing that would go wrong with a running order, as data; the sentence is in the message file, by `code`. */
export interface OrderFinding {
  code: string;
  severity: Severity;
  /** Which entries it is about, by their place from 0; of the whole order where there are none. */
  entries: readonly number[];
  actual: string;
  /** Put to each of the entries, or to the order. */
  remedy?: OrderRemedy;
}

/** All that a check may look at. */
export interface OrderChecked {
  order: Order;
  site: Site;
  /** How each entry is played. */
  played: readonly Played[];
  /** Bytes of the page. */
  weight: number;
  /** What visitors get at each address that was asked, by the address; empty until somebody asks. */
  reached: ReadonlyMap<string, readonly Reached[]>;
}

/** One check: what it is about first, then the code. One file each; the file's name is the id. */
export interface OrderCheck<Id extends string = string> {
  readonly id: Id;
  readonly severity: Severity;
  /** What is so when nothing was found, in a few words. */
  readonly holds: string;
  /** What a reader of the documentation learns of it. */
  readonly about: string;
  readonly run: (checked: OrderChecked) => readonly Omit<OrderFinding, 'code' | 'severity'>[];
}

/** A check, with its id as a type of its own. */
export const defineOrderCheck = <const Id extends string>(check: OrderCheck<Id>): OrderCheck<Id> => check;

/** One finding of all the entries of which something is so; none where it is so of none. */
export function entriesThat(
  { order, played }: OrderChecked,
  is: (entry: Entry, played: Played) => boolean,
  remedy?: OrderRemedy,
): readonly Omit<OrderFinding, 'code' | 'severity'>[] {
  const entries = order.entries.flatMap((entry, i) => (is(entry, played[i]!) ? [i] : []));
  return entries.length === 0 ? [] : [{ entries, actual: String(entries.length), ...(remedy && { remedy }) }];
}
