import type { Found, Order } from '../order.ts';

/** An open format that running orders come from and go to. */
export interface OrderFormat {
  id: string;
  /** What it is called by those who know it. */
  label: string;
  extension: string;
  /** Whether a text may be of it. */
  is: (text: string) => boolean;
  /** What it holds, addresses made whole by that of the file; null where it cannot be read. */
  read: (text: string, base: string | undefined) => Found | null;
  write: (order: Order) => string;
}
