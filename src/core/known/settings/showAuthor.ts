import { defineSetting } from '../../model/setting.ts';

export const showAuthor = defineSetting({
  id: 'showAuthor',
  moment: 'arrive',
  value: { type: 'switch' },
  label: 'Author shown',
  help: 'Whether the player names who made the item.',
  kinds: ['video', 'audio', 'podcast', 'live', 'recording'],
});
