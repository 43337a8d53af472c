import { defineSetting } from '../../model/setting.ts';

export const border = defineSetting({
  id: 'border',
  moment: 'frame',
  value: { type: 'length', least: 1, most: 40 },
  label: 'Border',
  help: 'The width of a line around the frame.',
});
