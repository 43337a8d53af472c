import { defineSetting } from '../../model/setting.ts';

export const referrer = defineSetting({
  id: 'referrer',
  moment: 'frame',
  framesOnly: true,
  value: { type: 'choice', options: ['origin', 'none', 'usual'] },
  label: 'Referrer',
  help: 'What the host is told of the page: its origin, nothing, or as browsers do it.',
});
