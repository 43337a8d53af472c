import { defineSetting } from '../../model/setting.ts';

export const accent = defineSetting({
  id: 'accent',
  moment: 'arrive',
  foremost: true,
  value: { type: 'colour' },
  label: 'Accent colour',
  help: 'The colour of the buttons and bars of the player.',
  kinds: ['video', 'audio', 'podcast', 'live', 'recording', 'booklet'],
});
