import { defineOrderCheck, entriesThat } from './rule.ts';

export const notPlayable = defineOrderCheck({
  id: 'notPlayable',
  severity: 'warning',
  holds: 'Every entry can be played',
  about:
    'What is neither a media file nor an item of a host that the book knows stands in the page as a link, and is passed over.',
  run: (checked) => entriesThat(checked, (_, { notes }) => notes.includes('notPlayable')),
});
