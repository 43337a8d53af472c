import { defineForm } from '../form.ts';
import { responsive } from './responsive.ts';

export const jsx = defineForm({
  id: 'jsx',
  label: 'JSX',
  help: 'The responsive code for pages that are made of script components.',
  language: 'jsx',
  carries: 'everything',
  file: { ending: 'jsx', type: 'text/plain' },
  write: responsive.write,
});
