import { defineForm } from '../form.ts';
import { surround } from '../around.ts';
import { embedNodes } from '../embed.ts';
import { fixedSize } from '../frame.ts';

export const fixed = defineForm({
  id: 'fixed',
  label: 'Fixed HTML',
  help: 'An iframe with width and height in pixels, for editors that strip newer CSS.',
  language: 'html',
  carries: 'everything',
  shownAs: 'fixed',
  insteadOf: 'frame',
  write: (input) => surround(input, embedNodes(input, { attributes: fixedSize(input.plan.box), style: [] })),
});
