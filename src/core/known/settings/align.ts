import { defineSetting } from '../../model/setting.ts';

export const align = defineSetting({
  id: 'align',
  moment: 'frame',
  value: { type: 'choice', options: ['start', 'centre', 'end'] },
  label: 'Alignment',
  help: 'Where it stands when it is narrower than the column.',
});
