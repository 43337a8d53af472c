import { defineSetting } from '../../model/setting.ts';

export const mapStyle = defineSetting({
  id: 'mapStyle',
  moment: 'arrive',
  value: { type: 'choice', options: ['plain', 'relief'] },
  label: 'Map style',
  help: 'A plain map, or one with hills and water shaded.',
  kinds: ['map'],
});
