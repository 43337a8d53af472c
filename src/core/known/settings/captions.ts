import { defineSetting } from '../../model/setting.ts';

export const captions = defineSetting({
  id: 'captions',
  moment: 'begin',
  value: { type: 'language' },
  label: 'Captions',
  help: 'The language in which captions are on from the start, such as en.',
  kinds: ['video', 'live'],
});
