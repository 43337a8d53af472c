import { defineOrderForm } from './form.ts';

/** Without a frame: the player stands in the page itself, shut off from its styles and scripts (DOM, section 4.8). */
export const inline = defineOrderForm({
  id: 'inline',
  scripted: true,
  hashed: true,
  write: (_, page) => page.inline,
});
