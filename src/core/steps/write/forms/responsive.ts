import { defineForm } from '../form.ts';
import { surround } from '../around.ts';
import { embedNodes } from '../embed.ts';
import { fluidSize } from '../frame.ts';

export const responsive = defineForm({
  id: 'responsive',
  label: 'Responsive HTML',
  help: 'An iframe as wide as the column, or as you set it, without script.',
  language: 'html',
  carries: 'everything',
  shownAs: 'responsive',
  insteadOf: 'frame',
  write: (input) => surround(input, embedNodes(input, { attributes: [], style: fluidSize(input.plan.box) })),
});
