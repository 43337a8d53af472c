import { defineSetting } from '../../model/setting.ts';

export const textLink = defineSetting({
  id: 'textLink',
  moment: 'around',
  value: { type: 'text', longest: 200 },
  label: 'Link below',
  help: 'Words of a link to the page of the host, for those to whom nothing is shown.',
});
