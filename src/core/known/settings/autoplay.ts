import { defineSetting } from '../../model/setting.ts';

export const autoplay = defineSetting({
  id: 'autoplay',
  moment: 'begin',
  foremost: true,
  value: { type: 'switch' },
  label: 'Autoplay',
  help: 'Whether it starts by itself when the page opens. Browsers hold back what has sound.',
  kinds: ['video', 'audio', 'podcast', 'live', 'slideshow', 'booklet', 'recording'],
});
