import { defineSetting } from '../../model/setting.ts';

export const end = defineSetting({
  id: 'end',
  moment: 'end',
  foremost: true,
  value: { type: 'time' },
  label: 'End time',
  help: 'Where it stops.',
  kinds: ['video', 'audio', 'podcast', 'recording'],
});
