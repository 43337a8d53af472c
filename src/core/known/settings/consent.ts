import { defineSetting } from '../../model/setting.ts';

export const consent = defineSetting({
  id: 'consent',
  moment: 'arrive',
  here: true,
  value: { type: 'text', longest: 300 },
  label: 'Sentence on the cover',
  help: 'What is loaded, and from whom, for sites that need consent before that.',
});
