import { defineSetting } from '../../model/setting.ts';

export const download = defineSetting({
  id: 'download',
  moment: 'during',
  value: { type: 'switch' },
  label: 'Download',
  help: 'Whether the player offers visitors to download it.',
  kinds: ['video', 'audio', 'podcast', 'document', 'slideshow', 'booklet', 'album', 'recording'],
});
