import { defineSetting } from '../../model/setting.ts';

export const theme = defineSetting({
  id: 'theme',
  moment: 'arrive',
  foremost: true,
  value: { type: 'choice', options: ['light', 'dark', 'page'] },
  label: 'Theme',
  help: 'Light, dark, or as the page around it.',
  kinds: ['audio', 'podcast', 'form', 'map', 'recording'],
});
