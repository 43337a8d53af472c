import { escapeHtml } from '../../model/markup/escape.ts';
import type { Order } from '../order.ts';
import type { OrderPage } from '../page/page.ts';

/** A form of code for a running order: one file each; the file's name is the id. */
export interface OrderForm<Id extends string = string> {
  readonly id: Id;
  /** Whether it runs a script of its own in the page, which some editors take out. */
  readonly scripted: boolean;
  /** Whether the policy of the site must let its script run, by the hash that stays the same. */
  readonly hashed: boolean;
  /** What goes into the page; `address` is where the page stands as a file, where it is one. */
  readonly write: (order: Order, page: OrderPage, address: string) => string;
}

/** A form, with its id as a type of its own. */
export const defineOrderForm = <const Id extends string>(form: OrderForm<Id>): OrderForm<Id> => form;

/** Height of the frame, in pixels, by where the list stands. */
export const HEIGHTS: Record<Order['layout'], number> = { beside: 520, below: 720, strip: 560, one: 480 };

/** What the frame needs leave for (Permissions Policy). */
export const ALLOW = 'autoplay; fullscreen';
/** How people who do not see the frame find it. */
export const frameTitle = ({ name }: Order): string => name || 'Running order';
/** As wide as its column, and as high as its layout needs. */
export const frameStyle = ({ layout }: Order): string => `display:block;border:0;width:100%;height:${HEIGHTS[layout]}px`;

/** A frame for a running order; `source` is its attribute `src` or `srcdoc`. */
export const frame = (order: Order, source: string): string =>
  `<iframe ${source} title="${escapeHtml(frameTitle(order))}" style="${frameStyle(order)}" allow="${ALLOW}" allowfullscreen></iframe>`;
