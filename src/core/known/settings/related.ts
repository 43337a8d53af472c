import { defineSetting } from '../../model/setting.ts';

export const related = defineSetting({
  id: 'related',
  moment: 'end',
  foremost: true,
  value: { type: 'choice', options: ['any', 'same', 'none'] },
  label: 'Suggestions at the end',
  help: 'What is suggested at the end: related items of anyone, of the same channel or show, or none.',
  kinds: ['video', 'live', 'podcast'],
});
