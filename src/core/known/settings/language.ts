import { defineSetting } from '../../model/setting.ts';

export const language = defineSetting({
  id: 'language',
  moment: 'arrive',
  foremost: true,
  value: { type: 'language' },
  label: 'Language',
  help: 'The language of the player’s own words, such as en.',
  kinds: ['video', 'audio', 'podcast', 'live', 'form', 'map', 'recording'],
});
