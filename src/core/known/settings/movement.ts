import { defineSetting } from '../../model/setting.ts';

export const movement = defineSetting({
  id: 'movement',
  moment: 'during',
  value: { type: 'choice', options: ['free', 'path'] },
  label: 'Movement',
  help: 'Whether visitors move about freely, or follow the path of the slides.',
  kinds: ['slideshow'],
});
