import { defineSetting } from '../../model/setting.ts';

export const density = defineSetting({
  id: 'density',
  moment: 'arrive',
  value: { type: 'choice', options: ['full', 'slim'] },
  label: 'Player size',
  help: 'A full player, or a slim one with only what is needed.',
  kinds: ['audio', 'podcast'],
});
