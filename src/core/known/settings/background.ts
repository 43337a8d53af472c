import { defineSetting } from '../../model/setting.ts';

export const background = defineSetting({
  id: 'background',
  moment: 'frame',
  value: { type: 'colour' },
  label: 'Background',
  help: 'The colour behind the player.',
});
