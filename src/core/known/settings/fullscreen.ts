import { defineSetting } from '../../model/setting.ts';

export const fullscreen = defineSetting({
  id: 'fullscreen',
  moment: 'during',
  here: true,
  feature: 'fullscreen',
  value: { type: 'switch' },
  label: 'Full screen',
  help: 'Whether visitors may make it fill their screen.',
  kinds: ['video', 'live', 'recording', 'slideshow', 'document', 'booklet', 'album', 'picture', 'map', 'loop', 'page'],
});
