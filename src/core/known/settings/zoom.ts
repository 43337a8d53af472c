import { defineSetting } from '../../model/setting.ts';

export const zoom = defineSetting({
  id: 'zoom',
  moment: 'arrive',
  foremost: true,
  value: { type: 'count', least: 1 },
  label: 'Map zoom',
  help: 'How near the map begins: larger is nearer.',
  kinds: ['map'],
});
