import { defineSetting } from '../../model/setting.ts';

export const loop = defineSetting({
  id: 'loop',
  moment: 'end',
  foremost: true,
  value: { type: 'switch' },
  label: 'Loop',
  help: 'Whether it begins again when it has ended.',
  kinds: ['video', 'audio', 'podcast', 'slideshow', 'recording'],
});
