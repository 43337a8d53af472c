import { defineSetting } from '../../model/setting.ts';

export const caption = defineSetting({
  id: 'caption',
  moment: 'around',
  foremost: true,
  value: { type: 'text', longest: 300 },
  label: 'Caption',
  help: 'Stands below the embed, and belongs to it.',
});
