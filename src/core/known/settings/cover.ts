import { defineSetting } from '../../model/setting.ts';

export const cover = defineSetting({
  id: 'cover',
  moment: 'arrive',
  here: true,
  value: { type: 'picture' },
  label: 'Cover picture',
  help: 'The picture that stands there until a visitor asks for it. It should lie on your own site, or in the code itself.',
});
