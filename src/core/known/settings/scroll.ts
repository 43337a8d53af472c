import { defineSetting } from '../../model/setting.ts';

export const scroll = defineSetting({
  id: 'scroll',
  moment: 'during',
  foremost: true,
  value: { type: 'switch' },
  label: 'Scrolling',
  help: 'Whether the mouse wheel moves what is in the frame, or the page past it.',
  kinds: ['document', 'slideshow', 'booklet', 'map'],
});
