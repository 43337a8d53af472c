import { defineSetting } from '../../model/setting.ts';

export const radius = defineSetting({
  id: 'radius',
  moment: 'frame',
  value: { type: 'length', least: 0, most: 400 },
  label: 'Corner radius',
  help: 'How round the corners are.',
});
