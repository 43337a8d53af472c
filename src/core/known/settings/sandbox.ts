import { defineSetting } from '../../model/setting.ts';

export const sandbox = defineSetting({
  id: 'sandbox',
  moment: 'frame',
  framesOnly: true,
  value: { type: 'text', longest: 400 },
  label: 'Sandbox',
  help: 'What the frame may do, as sandbox words; empty for nothing at all.',
});
