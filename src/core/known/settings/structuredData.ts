import { defineSetting } from '../../model/setting.ts';

export const structuredData = defineSetting({
  id: 'structuredData',
  moment: 'around',
  value: { type: 'switch' },
  label: 'Structured data',
  help: 'Tells search engines what the embed is (schema.org, as JSON-LD).',
  kinds: ['video', 'audio', 'podcast', 'live', 'recording', 'loop', 'slideshow', 'document', 'booklet', 'picture'],
});
