import type { Context } from '../../context.ts';
import type { Range } from '../../model/candidate.ts';
import type { Code } from '../../model/code.ts';
import type { Finding, Severity } from './finding.ts';
import type { Origin } from '../../model/plan.ts';
import type { Item } from '../../model/item.ts';
import type { Plan } from '../../model/plan.ts';
import type { Kind } from '../../model/kind.ts';
import type { SettingValue } from '../../model/values.ts';
import type { SettingId, Settings } from '../../known/settings/list.ts';

/** All that a check may look at. */
export interface Checked extends Context {
  item: Item;
  settings: Settings;
  plan: Plan;
  code: Code;
  /** The same in forms that do without one thing or another that page editors take out, the best first. */
  simpler: () => readonly { form: string; code: () => string }[];
}

export type Found = Omit<Finding, 'code' | 'severity'>;

/** One check: what it is about first, then the code. One file each; the file's name is the id. */
export interface Check<Id extends string = string> {
  readonly id: Id;
  readonly severity: Severity;
  /** What is so when nothing was found, in a few words. */
  readonly holds: string;
  /** What a reader of the documentation learns of it. */
  readonly about: string;
  /** It looks at what the server found; until then it neither holds nor fails. */
  readonly asks?: boolean;
  readonly run: (checked: Checked) => readonly Found[];
}

/** A check, with its id as a type of its own. */
export function defineCheck<const Id extends string>(check: Check<Id>): Check<Id> {
  return check;
}

export const NOTHING: readonly Found[] = [];

/** Kinds in which something moves, or sounds, in time. */
export const MOVING: readonly Kind[] = ['video', 'audio', 'podcast', 'live', 'recording', 'slideshow', 'loop'];

/** Whether a setting, with this value or with any, does something: sent to the host, or done here. */
export const takesEffect = ({ entries }: Plan, id: SettingId, value?: SettingValue): boolean =>
  entries.some(
    (e) => e.setting === id && (value === undefined || e.asked === value) && (e.sent.length > 0 || e.state === 'done here'),
  );

/** Where a setting stands in the code. */
export const placeOf = (code: Code, origin: Origin): Range | null =>
  code.map.find((mark) => mark.origin === origin)?.range ?? null;
