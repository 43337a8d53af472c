import { escapeHtml } from '../../model/markup/escape.ts';
import { defineOrderForm, frame } from './form.ts';

/** A small code for the page as a file of one's own site. */
export const file = defineOrderForm({
  id: 'file',
  scripted: false,
  hashed: false,
  write: (order, _, address) => frame(order, `src="${escapeHtml(address)}" loading="lazy"`),
});
