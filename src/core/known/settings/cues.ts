import { defineSetting } from '../../model/setting.ts';

export const cues = defineSetting({
  id: 'cues',
  moment: 'during',
  value: { type: 'switch' },
  label: 'Page notes',
  help: 'Whether signs at the edge show that pages can be turned.',
  kinds: ['booklet'],
});
