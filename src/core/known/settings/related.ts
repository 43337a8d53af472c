import { defineSetting } from '../../model/setting.ts';

export const related = defineSetting({
  id: 'related',
  moment: 'end',
  foremost: true,
  value: { type: 'choice', options: ['any', 'same', 'none'] },
  label: 'Related videos',
  help: 'What is offered at the end: videos of anyone, of the same channel, or none.',
  kinds: ['video', 'live', 'podcast'],
});
