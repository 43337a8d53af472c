import { defineSetting } from '../../model/setting.ts';

export const transcript = defineSetting({
  id: 'transcript',
  moment: 'around',
  value: { type: 'text', longest: 20000 },
  label: 'Transcript',
  help: 'What is said, for those who read; it unfolds below the embed.',
  kinds: ['video', 'audio', 'podcast', 'live', 'recording'],
});
