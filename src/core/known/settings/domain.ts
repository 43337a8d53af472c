import { defineSetting } from '../../model/setting.ts';

export const domain = defineSetting({
  id: 'domain',
  moment: 'arrive',
  value: { type: 'text', longest: 120 },
  label: 'Page’s own domain',
  help: 'The domain of the page it stands on, where the host asks for it.',
  kinds: ['live', 'chat', 'schedule'],
});
