import { defineSetting } from '../../model/setting.ts';

export const height = defineSetting({
  id: 'height',
  moment: 'frame',
  value: { type: 'length', least: 1, most: 40_000 },
  label: 'Height in pixels',
  help: 'A height of its own, instead of one by ratio.',
});
