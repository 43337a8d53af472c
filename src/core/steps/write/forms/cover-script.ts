import { surround } from '../around.ts';
import { coverLink } from '../cover.ts';
import { embedNodes } from '../embed.ts';
import { defineForm } from '../form.ts';
import { fluidSize } from '../frame.ts';

export const coverScript = defineForm({
  id: 'cover-script',
  label: 'Cover, with a small script',
  help: 'A cover that works as a link without script too. One small script serves all covers of a page.',
  language: 'html',
  carries: 'item',
  cover: 'page',
  shownAs: 'cover',
  write: (input) => {
    const sizing = { attributes: [], style: fluidSize(input.plan.box) };
    const covered = input.plan.pressed !== null && input.plan.media === null;
    return surround(input, covered ? coverLink(input, sizing) : embedNodes(input, sizing));
  },
});
