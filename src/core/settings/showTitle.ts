import { defineSetting } from '../model/setting.ts';

export const showTitle = defineSetting({
  id: 'showTitle',
  moment: 'arrive',
  value: { type: 'switch' },
  label: 'Title in the player',
  help: 'Whether the player shows the title of the item.',
});
