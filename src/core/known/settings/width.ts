import { defineSetting } from '../../model/setting.ts';

export const width = defineSetting({
  id: 'width',
  moment: 'frame',
  value: { type: 'length', least: 1, most: 4000 },
  label: 'Width in pixels',
  help: 'The width, or the most that it may be.',
});
