import { defineSetting } from '../../model/setting.ts';

export const className = defineSetting({
  id: 'className',
  moment: 'frame',
  value: { type: 'names' },
  label: 'Class',
  help: 'Classes of the frame in the page.',
});
