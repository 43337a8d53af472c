import { defineSetting } from '../../model/setting.ts';

export const title = defineSetting({
  id: 'title',
  moment: 'frame',
  foremost: true,
  value: { type: 'text', longest: 300 },
  label: 'Title',
  help: 'What a screen reader says of the frame. Not visible on the page.',
});
