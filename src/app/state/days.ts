import type { Store } from './store.ts';
import { dayBegun } from './view.ts';

/** Milliseconds between two looks at the calendar. */
const POLL = 60_000;

/** The day here, as `2026-11-23`. */
function today(): string {
  const now = new Date();
  return [now.getFullYear(), now.getMonth() + 1, now.getDate()].map((part) => String(part).padStart(2, '0')).join('-');
}

/** Tells the store which day it is, also past midnight. */
export function startDays(store: Store): void {
  const tell = (): void => {
    if (store.getState().view.today !== today()) store.dispatch(dayBegun(today()));
  };
  tell();
  setInterval(tell, POLL);
}
