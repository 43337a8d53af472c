import { defineSetting } from '../../model/setting.ts';

export const shownName = defineSetting({
  id: 'shownName',
  moment: 'arrive',
  value: { type: 'text', longest: 80 },
  label: 'Name shown',
  help: 'The words that the player shows as its name.',
  kinds: ['live', 'chat', 'schedule'],
});
