import { defineSetting } from '../../model/setting.ts';

export const marker = defineSetting({
  id: 'marker',
  moment: 'arrive',
  foremost: true,
  value: { type: 'text', longest: 80 },
  label: 'Marker',
  help: 'The words on the mark at the place.',
  kinds: ['map'],
});
