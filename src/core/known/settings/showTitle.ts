import { defineSetting } from '../../model/setting.ts';

export const showTitle = defineSetting({
  id: 'showTitle',
  moment: 'arrive',
  value: { type: 'switch' },
  label: 'Title shown',
  help: 'Whether the player shows the title of the item.',
  kinds: ['video', 'audio', 'podcast', 'live', 'recording'],
});
