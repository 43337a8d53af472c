import { escapeHtml } from '../model/markup/escape.ts';
import type { Order } from './order.ts';

/** Height of the frame, in pixels, by where the list stands. */
const HEIGHTS: Record<Order['layout'], number> = { beside: 520, below: 720, strip: 560, one: 480 };

const frame = (order: Order, source: string): string =>
  `<iframe ${source} title="${escapeHtml(order.name || 'Running order')}" style="display:block;border:0;width:100%;height:${HEIGHTS[order.layout]}px" allow="autoplay; fullscreen" allowfullscreen></iframe>`;

/** The whole page within the code (HTML, section 4.8.5, `srcdoc`). */
export const wholeCode = (order: Order, html: string): string => frame(order, `srcdoc="${escapeHtml(html)}"`);

/** A small code for the page as a file of one's own site. */
export const fileCode = (order: Order, address: string): string => frame(order, `src="${escapeHtml(address)}"`);
