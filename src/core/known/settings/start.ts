import { defineSetting } from '../../model/setting.ts';

export const start = defineSetting({
  id: 'start',
  moment: 'begin',
  foremost: true,
  value: { type: 'time' },
  label: 'Start time',
  help: 'Where it begins.',
  kinds: ['video', 'audio', 'podcast', 'recording'],
});
