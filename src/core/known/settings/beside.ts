import { defineSetting } from '../../model/setting.ts';

export const beside = defineSetting({
  id: 'beside',
  moment: 'around',
  value: { type: 'switch' },
  label: 'Side by side',
  help: 'Heading and text beside the embed where there is room, above it on a phone.',
});
