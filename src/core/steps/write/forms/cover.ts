import { surround } from '../around.ts';
import { coverFrame } from '../cover.ts';
import { embedNodes } from '../embed.ts';
import { defineForm } from '../form.ts';
import { fluidSize } from '../frame.ts';

export const cover = defineForm({
  id: 'cover',
  label: 'Cover, without script',
  help: 'A cover stands in the frame, and nothing is loaded from the host until a visitor presses it.',
  language: 'html',
  carries: 'everything',
  cover: 'page',
  shownAs: 'cover',
  write: (input) => {
    const sizing = { attributes: [], style: fluidSize(input.plan.box) };
    const covered = input.plan.pressed !== null && input.plan.media === null;
    return surround(input, covered ? [coverFrame(input, sizing)] : embedNodes(input, sizing));
  },
});
