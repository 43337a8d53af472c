import { defineSetting } from '../../model/setting.ts';

export const controls = defineSetting({
  id: 'controls',
  moment: 'during',
  foremost: true,
  value: { type: 'switch' },
  label: 'Controls',
  help: 'Whether visitors see the buttons and the bar of the player.',
  kinds: ['video', 'audio', 'live', 'document'],
});
