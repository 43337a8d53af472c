import { defineSetting } from '../../model/setting.ts';

export const spread = defineSetting({
  id: 'spread',
  moment: 'during',
  foremost: true,
  value: { type: 'choice', options: ['single', 'double'] },
  label: 'Pages at once',
  help: 'One page at a time, or two side by side.',
  kinds: ['booklet'],
});
