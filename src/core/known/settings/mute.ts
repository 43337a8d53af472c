import { defineSetting } from '../../model/setting.ts';

export const mute = defineSetting({
  id: 'mute',
  moment: 'begin',
  foremost: true,
  value: { type: 'switch' },
  label: 'Mute',
  help: 'Whether it starts without sound. Visitors can turn the sound on.',
  kinds: ['video', 'audio', 'podcast', 'live', 'recording'],
});
