import { defineSetting } from '../../model/setting.ts';

export const artwork = defineSetting({
  id: 'artwork',
  moment: 'arrive',
  value: { type: 'switch' },
  label: 'Artwork',
  help: 'Whether the player shows the cover picture beside the sound.',
  kinds: ['audio'],
});
