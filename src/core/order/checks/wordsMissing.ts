import { speaks } from '../page/words.ts';
import { defineOrderCheck } from './rule.ts';

export const wordsMissing = defineOrderCheck({
  id: 'wordsMissing',
  severity: 'note',
  holds: 'It speaks the language of the site',
  about: 'The words on its buttons are there in some languages only; in all others they are English.',
  run: ({ site }) => (speaks(site.language) ? [] : [{ entries: [], actual: site.language }]),
});
