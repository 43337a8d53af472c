import { defineForm } from '../form.ts';
import { structuredData } from '../structuredData.ts';

export const jsonld = defineForm({
  id: 'jsonld',
  label: 'Structured data',
  help: 'What search engines read of the item (schema.org, as JSON-LD), without the embed itself.',
  language: 'html',
  carries: 'nothing',
  frameless: true,
  cover: 'picture',
  write: (input) => [structuredData(input)],
});
