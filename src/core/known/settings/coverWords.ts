import { defineSetting } from '../../model/setting.ts';

export const coverWords = defineSetting({
  id: 'coverWords',
  moment: 'arrive',
  here: true,
  value: { type: 'text', longest: 80 },
  label: 'Words on the cover',
  help: 'What the press on the cover does, in a word or two.',
});
