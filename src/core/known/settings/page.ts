import { defineSetting } from '../../model/setting.ts';

export const page = defineSetting({
  id: 'page',
  moment: 'begin',
  foremost: true,
  value: { type: 'count', least: 1 },
  label: 'Start page',
  help: 'The page that is open first.',
  kinds: ['document', 'slideshow', 'booklet'],
});
