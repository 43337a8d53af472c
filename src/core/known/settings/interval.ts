import { defineSetting } from '../../model/setting.ts';

export const interval = defineSetting({
  id: 'interval',
  moment: 'during',
  foremost: true,
  value: { type: 'time' },
  label: 'Interval',
  help: 'How long each slide or page stays.',
  kinds: ['slideshow', 'booklet', 'document'],
});
