import { defineOrderCheck, entriesThat } from './rule.ts';

export const transcriptMissing = defineOrderCheck({
  id: 'transcriptMissing',
  severity: 'warning',
  holds: 'What is said can be read',
  about:
    'People who do not hear, and search engines, need what is said as text (WCAG 2.2, 1.2.1 and 1.2.2). A media file has none unless the page gives it.',
  run: (checked) =>
    entriesThat(checked, ({ transcript }, { plays }) => plays.by !== 'frame' && plays.by !== 'link' && transcript.length === 0),
});
