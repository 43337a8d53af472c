import { escapeHtml } from '../../model/markup/escape.ts';
import { defineOrderForm, frame } from './form.ts';

/** The whole page within the code (HTML, section 4.8.5, `srcdoc`). */
export const whole = defineOrderForm({
  id: 'whole',
  scripted: false,
  hashed: true,
  write: (order, { html }) => frame(order, `srcdoc="${escapeHtml(html)}"`),
});
