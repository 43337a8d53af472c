import { linkAddress } from '../address.ts';
import { defineForm } from '../form.ts';

export const link = defineForm({
  id: 'link',
  label: 'Link alone',
  help: 'The share link, tidy, for editors that turn a link into a player by themselves.',
  language: 'text',
  carries: 'item',
  frameless: true,
  insteadOf: 'link',
  file: { ending: 'txt', type: 'text/plain' },
  write: ({ plan }) => [{ pieces: linkAddress(plan) }],
});
