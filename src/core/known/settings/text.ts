import { defineSetting } from '../../model/setting.ts';

export const text = defineSetting({
  id: 'text',
  moment: 'around',
  value: { type: 'text', longest: 2000 },
  label: 'Text',
  help: 'A paragraph that introduces the embed.',
});
