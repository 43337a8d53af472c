import type { Store } from '../state/store.ts';

/** One function answers both "can I?" and "do it", so that button, shortcut and list agree. */
export interface Command {
  readonly id: string;
  readonly label: string;
  /** As `event.key` names it, after the modifiers: `ctrl+z`, `?`. */
  readonly keys: string;
  /** Whether its keys work in text fields too. */
  readonly whileTyping?: boolean;
  /** Whether it can be done now; with `act`, does it. */
  readonly run: (store: Store, act: boolean) => boolean;
}
