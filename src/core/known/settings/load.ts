import { defineSetting } from '../../model/setting.ts';

export const load = defineSetting({
  id: 'load',
  moment: 'arrive',
  foremost: true,
  here: true,
  value: { type: 'choice', options: ['all', 'near', 'ask'] },
  label: 'Loading',
  help: 'With the page, when a visitor has scrolled near (lazy loading), or only when a visitor asks for it, behind a cover.',
});
