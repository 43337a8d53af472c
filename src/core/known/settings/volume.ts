import { defineSetting } from '../../model/setting.ts';

export const volume = defineSetting({
  id: 'volume',
  moment: 'begin',
  value: { type: 'length', least: 0, most: 100 },
  label: 'Volume',
  help: 'How loud it begins, in per cent of what the visitor has set.',
  kinds: ['video', 'audio', 'podcast', 'live', 'recording'],
});
