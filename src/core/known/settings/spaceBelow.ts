import { defineSetting } from '../../model/setting.ts';

export const spaceBelow = defineSetting({
  id: 'spaceBelow',
  moment: 'frame',
  value: { type: 'length', least: 0, most: 400 },
  label: 'Space below',
  help: 'Empty space below, in pixels.',
});
