import { defineSetting } from '../model/setting.ts';

export const load = defineSetting({
  id: 'load',
  moment: 'frame',
  value: { type: 'choice', options: ['all', 'near'] },
  label: 'Loading',
  help: 'Load with the page, or only when a visitor has scrolled near (lazy loading).',
});
