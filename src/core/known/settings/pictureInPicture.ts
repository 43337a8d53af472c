import { defineSetting } from '../../model/setting.ts';

export const pictureInPicture = defineSetting({
  id: 'pictureInPicture',
  moment: 'during',
  here: true,
  feature: 'picture-in-picture',
  value: { type: 'switch' },
  label: 'Picture in picture',
  help: 'Whether visitors may take the picture out into a small window that stays in sight.',
  kinds: ['video', 'live', 'recording', 'loop', 'page'],
});
