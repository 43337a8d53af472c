import { defineSetting } from '../../model/setting.ts';

export const widthMode = defineSetting({
  id: 'widthMode',
  moment: 'frame',
  value: { type: 'choice', options: ['fill', 'atMost', 'fixed'] },
  label: 'Width',
  help: 'Fill the column, fill it up to a width, or keep one width.',
});
