import { defineSetting } from '../../model/setting.ts';

export const elementId = defineSetting({
  id: 'elementId',
  moment: 'frame',
  value: { type: 'name' },
  label: 'Id',
  help: 'The id of the frame in the page.',
});
