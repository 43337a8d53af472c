import { defineSetting } from '../../model/setting.ts';

export const continueOn = defineSetting({
  id: 'continue',
  moment: 'end',
  value: { type: 'switch' },
  label: 'Next one',
  help: 'Whether the next one of the collection or channel follows by itself.',
  kinds: ['video', 'audio', 'podcast', 'recording'],
});
