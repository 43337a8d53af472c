import { defineSetting } from '../../model/setting.ts';

export const ratio = defineSetting({
  id: 'ratio',
  moment: 'frame',
  value: { type: 'ratio' },
  label: 'Aspect ratio',
  help: 'Width to height, such as 16:9.',
});
