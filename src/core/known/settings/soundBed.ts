import { defineSetting } from '../../model/setting.ts';

export const soundBed = defineSetting({
  id: 'soundBed',
  moment: 'during',
  value: { type: 'switch' },
  label: 'Background sound',
  help: 'Whether a sound plays underneath.',
  kinds: ['booklet'],
});
