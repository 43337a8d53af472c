import { defineSetting } from '../../model/setting.ts';

export const sizeStep = defineSetting({
  id: 'sizeStep',
  moment: 'arrive',
  value: { type: 'choice', options: ['360', '720', '1080', '1620'] },
  label: 'Size of pictures',
  help: 'The width in which the host sends its pictures, in pixels.',
  kinds: ['album'],
});
