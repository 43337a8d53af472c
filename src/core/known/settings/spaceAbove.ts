import { defineSetting } from '../../model/setting.ts';

export const spaceAbove = defineSetting({
  id: 'spaceAbove',
  moment: 'frame',
  value: { type: 'length', least: 0, most: 400 },
  label: 'Space above',
  help: 'Empty space above, in pixels.',
});
