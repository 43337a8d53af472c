import type { Range } from '../../model/candidate.ts';
import type { Reached } from '../../proof/reach/reached.ts';
import type { SettingId } from '../../known/settings/list.ts';
import type { SettingsFix } from '../../model/plan.ts';

export type Severity = 'error' | 'warning' | 'note';

/** What one press does: change settings, or change the text that was brought in. */
export type Remedy =
  | { by: 'settings'; change: SettingsFix }
  | { by: 'text'; replace: string; with: string }
  | { by: 'parameter'; drop: string }
  /** Another form of code does it. */
  | { by: 'form'; form: string }
  /** What runs is left out, or kept all the same. */
  | { by: 'running'; choice: 'leave' | 'keep' }
  /** The publisher's own words are needed: the setting is opened. */
  | { by: 'asking'; setting: SettingId };

/** A thing that would go wrong, as data. The sentence is in the message file, by `code`. */
export interface Finding {
  code: string;
  severity: Severity;
  /** Where in the code. */
  place: Range | null;
  /** Where in what was brought in, if it is not in the code. */
  inText?: Range;
  actual: string;
  expected: string;
  /** What the server found out about the frame address. */
  reached?: Reached;
  remedy?: Remedy;
  /** The other way, for those who know better. */
  otherwise?: Remedy;
}
