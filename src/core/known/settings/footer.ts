import { defineSetting } from '../../model/setting.ts';

export const footer = defineSetting({
  id: 'footer',
  moment: 'arrive',
  value: { type: 'switch' },
  label: 'Footer',
  help: 'Whether a line with the count stands below.',
  kinds: ['album'],
});
