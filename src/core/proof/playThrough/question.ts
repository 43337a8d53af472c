import type { Kind } from '../../model/kind.ts';
import type { Answer, Sighting } from './proof.ts';
import type { SettingId, Settings } from '../../known/settings/list.ts';

/** One thing that a play-through looks at: what was asked for, and how it is told from what was seen. */
export interface Question<Id extends string = string> {
  readonly id: Id;
  /** Its station. */
  readonly moment: 'arrive' | 'begin' | 'during' | 'end';
  /** The setting that it is about. */
  readonly setting: SettingId;
  readonly kinds: readonly Kind[];
  /** Null where nobody asked, and the host does as it likes. */
  readonly expected: (settings: Settings) => Answer | null;
  /** Null where it could not be seen. */
  readonly observed: (sighting: Sighting) => Answer | null;
  /** Whether what was seen is what was asked, where being equal is asking too much. */
  readonly agrees?: (expected: Answer, observed: Answer) => boolean;
}

/** A question of the play-through, with its id as a type of its own. */
export function defineQuestion<const Id extends string>(question: Question<Id>): Question<Id> {
  return question;
}

/** Kinds that play by themselves or at a press, and kinds that are turned. */
export const PLAYS: readonly Kind[] = ['video', 'audio', 'podcast', 'recording', 'live', 'loop'];
export const TURNS: readonly Kind[] = ['document', 'slideshow', 'booklet'];

/** Players are never exact to the second: what was seen may be so much less or more than what was asked. */
export const within =
  (less: (expected: number) => number, more = less) =>
  (expected: Answer, observed: Answer): boolean =>
    Number(observed) >= Number(expected) - less(Number(expected)) &&
    Number(observed) <= Number(expected) + more(Number(expected));
