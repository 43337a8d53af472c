import { defineSetting } from '../../model/setting.ts';

export const header = defineSetting({
  id: 'header',
  moment: 'arrive',
  value: { type: 'switch' },
  label: 'Header',
  help: 'Whether a line with title and maker stands above.',
  kinds: ['album'],
});
