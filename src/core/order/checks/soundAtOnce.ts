import { defineOrderCheck, entriesThat } from './rule.ts';

export const soundAtOnce = defineOrderCheck({
  id: 'soundAtOnce',
  severity: 'error',
  holds: 'What begins by itself is silent',
  about:
    'Browsers let nothing begin by itself with sound, and visitors leave where it does. A host that cannot be muted does not begin at all.',
  run: (checked) => (checked.order.autoplay ? entriesThat(checked, (_, { notes }) => notes.includes('notMuted')) : []),
});
