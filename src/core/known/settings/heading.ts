import { defineSetting } from '../../model/setting.ts';

export const heading = defineSetting({
  id: 'heading',
  moment: 'around',
  foremost: true,
  value: { type: 'text', longest: 200 },
  label: 'Heading',
  help: 'Stands above the embed.',
});
