import { defineSetting } from '../../model/setting.ts';

export const panels = defineSetting({
  id: 'panels',
  moment: 'arrive',
  value: { type: 'set', options: ['transcript', 'topics', 'people'] },
  label: 'Panels',
  help: 'What stands beside the player: transcript, topics, people.',
  kinds: ['recording'],
});
