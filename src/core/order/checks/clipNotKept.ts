import { defineOrderCheck, entriesThat } from './rule.ts';

export const clipNotKept = defineOrderCheck({
  id: 'clipNotKept',
  severity: 'warning',
  holds: 'Every clip is kept',
  about:
    'A clip is kept by the address of the host, or by the messages of its player. Where it has neither, visitors see more than was cut.',
  run: (checked) => entriesThat(checked, (_, { notes }) => notes.includes('startIgnored') || notes.includes('clipOverruns')),
});
