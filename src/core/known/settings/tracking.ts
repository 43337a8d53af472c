import { defineSetting } from '../../model/setting.ts';

export const tracking = defineSetting({
  id: 'tracking',
  moment: 'arrive',
  foremost: true,
  value: { type: 'choice', options: ['usual', 'reduced'] },
  label: 'Tracking',
  help: 'Whether the host may follow visitors as it usually does, or the embed comes from an address that it keeps for less.',
});
