import { defineSetting } from '../../model/setting.ts';

export const permissions = defineSetting({
  id: 'permissions',
  moment: 'frame',
  framesOnly: true,
  value: { type: 'features', longest: 4000 },
  label: 'Permissions',
  help: 'What the frame may use besides what its player needs, such as camera; microphone.',
});
